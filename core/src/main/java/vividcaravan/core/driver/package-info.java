/** What a driver is told, in their own language: one instruction, without figures. May depend on alert, axles and words. */
package vividcaravan.core.driver;
