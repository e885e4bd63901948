/** What a tyre can carry and what pressure a load asks for. May depend on {@code units}. */
package vividcaravan.core.planning;
