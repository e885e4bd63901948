/**
 * Hot tyres, hot wheel ends, and a sensor that is cooler than its tyre can be. May depend on axles, judge.air,
 * judge.rules, judge.siblings and limits.
 */
package vividcaravan.core.judge.heat;
