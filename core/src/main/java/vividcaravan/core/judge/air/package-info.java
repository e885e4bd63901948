/**
 * A wheel's air: its limits, its level against its siblings, leaks and steps. May depend on axles, gas, judge.memory,
 * judge.rules, judge.siblings, limits and units.
 */
package vividcaravan.core.judge.air;
