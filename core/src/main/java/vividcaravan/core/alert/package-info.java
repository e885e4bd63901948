/** An alert's kinds, urgency, life and words. May depend on axles, limits and units. */
package vividcaravan.core.alert;
