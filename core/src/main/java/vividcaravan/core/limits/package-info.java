/** What each axle should carry and when it is too little, too much or too hot. May depend on axles, gas and units. */
package vividcaravan.core.limits;
