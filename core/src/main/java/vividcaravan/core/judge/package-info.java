/**
 * The one place where readings are judged: event time only, no clock. May depend on gas, axles, fitting,
 * limits and alert.
 */
package vividcaravan.core.judge;
