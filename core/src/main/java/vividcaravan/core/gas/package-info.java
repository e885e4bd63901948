/** What the gas law and the atmosphere do to a tyre's pressure. May depend on units. */
package vividcaravan.core.gas;
