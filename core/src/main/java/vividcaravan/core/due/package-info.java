/** Work that comes due at vehicles, whatever it comes from. May depend on alert, axles and tyres. */
package vividcaravan.core.due;
