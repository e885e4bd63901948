/** What each axle should carry and when it is too little, too much or too hot. May depend on units and axles. */
package vividcaravan.core.limits;
