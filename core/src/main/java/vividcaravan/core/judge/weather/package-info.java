/**
 * The gauge of a cold tyre, and what the weather does to a whole vehicle's. May depend on alert, axles, gas, judge.air,
 * judge.memory, judge.rules, judge.siblings and limits.
 */
package vividcaravan.core.judge.weather;
