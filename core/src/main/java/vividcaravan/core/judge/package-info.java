/**
 * The one place where readings are judged: event time only, no clock. May depend on {@code units}, {@code gas}, {@code axles}, {@code fitting},
 * {@code limits} and {@code alert}.
 */
package vividcaravan.core.judge;
