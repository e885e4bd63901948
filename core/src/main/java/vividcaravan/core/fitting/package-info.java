/**
 * Which sensor sat at which wheel, and when. May depend on {@code axles}.
 */
package vividcaravan.core.fitting;
