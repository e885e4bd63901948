/**
 * How sensors come to wheels: which sat where and when, inspecting, mounting, pairing and proving. May depend on
 * axles, gas and units.
 */
package vividcaravan.core.fitting;
