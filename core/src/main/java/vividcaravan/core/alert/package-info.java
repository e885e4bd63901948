/**
 * An alert's kinds, urgency, life and words. May depend on {@code units} and {@code axles}.
 */
package vividcaravan.core.alert;
