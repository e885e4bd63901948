/**
 * What each axle should carry and when it is too little, too much or too hot. May depend on {@code units} and {@code axles}.
 */
package vividcaravan.core.limits;
