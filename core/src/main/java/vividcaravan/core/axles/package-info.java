/**
 * How a vehicle stands on its wheels: kinds, axles, positions. Depends on the JDK only.
 */
package vividcaravan.core.axles;
