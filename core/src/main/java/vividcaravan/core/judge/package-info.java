/**
 * The one place where readings are judged: event time only, no clock. The rooms below it hold the rules by what they
 * ask; here is what puts them together for a wheel and a vehicle. May depend on alert, axles, fitting, gas, judge.air,
 * judge.days, judge.heat, judge.memory, judge.rules, judge.sensors, judge.siblings, judge.weather and limits.
 */
package vividcaravan.core.judge;
