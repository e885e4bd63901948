/** An alert's kinds, urgency, life and words. May depend on units and axles. */
package vividcaravan.core.alert;
