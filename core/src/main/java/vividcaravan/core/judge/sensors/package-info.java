/**
 * The sensors themselves: cells, silence, receivers, and sensors that report for each other. May depend on alert,
 * axles, judge.air, judge.memory, judge.rules, judge.siblings and limits.
 */
package vividcaravan.core.judge.sensors;
