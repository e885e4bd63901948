/**
 * What shows over days and not over hours: tyres that seep, and those that somebody fills again and again. May depend on
 * axles, judge.air, judge.memory, judge.rules, judge.siblings and limits.
 */
package vividcaravan.core.judge.days;
