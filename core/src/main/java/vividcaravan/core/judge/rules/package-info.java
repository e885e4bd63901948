/**
 * What a wheel is held to, and how far each of its limits is reached. May depend on alert, axles, fitting, gas,
 * judge.memory and limits.
 */
package vividcaravan.core.judge.rules;
