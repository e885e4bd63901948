/** Pressures and temperatures as values, and the units people read them in. Depends on no other package. */
package vividcaravan.core.units;
