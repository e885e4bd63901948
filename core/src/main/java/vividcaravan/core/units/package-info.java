/**
 * Pressures and temperatures as values, and the units people read them in. Depends on the JDK only.
 */
package vividcaravan.core.units;
