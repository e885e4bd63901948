/**
 * How sensors come to wheels: which sat where and when, inspecting, mounting, pairing and proving. May depend on
 * {@code axles}, {@code gas} and {@code units}.
 */
package vividcaravan.core.fitting;
