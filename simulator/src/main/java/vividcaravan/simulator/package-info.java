/**
 * Simulated tyres, sensors and receivers of an invented fleet. Speaks to the product over HTTP only; may depend on core.
 */
package vividcaravan.simulator;
