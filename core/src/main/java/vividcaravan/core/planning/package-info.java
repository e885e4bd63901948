/**
 * What a tyre can carry, what pressure a load asks for, and what it takes to equip vehicles. May depend on axles,
 * fitting, gas and units.
 */
package vividcaravan.core.planning;
