/**
 * A reading beside what the other wheels of its vehicle show. May depend on alert, axles, judge.memory, judge.rules
 * and limits.
 */
package vividcaravan.core.judge.siblings;
