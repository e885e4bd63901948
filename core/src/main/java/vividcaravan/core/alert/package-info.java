/** An alert's kinds, urgency, life and words. May depend on axles, limits, units and words. */
package vividcaravan.core.alert;
