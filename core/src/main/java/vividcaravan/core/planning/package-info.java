/**
 * What a tyre can carry, what pressure a load asks for, and what it takes to equip vehicles. May depend on units, gas,
 * axles and fitting.
 */
package vividcaravan.core.planning;
