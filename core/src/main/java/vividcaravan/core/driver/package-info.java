/** What a driver is told, in their own language: one instruction, without figures. May depend on alert and axles. */
package vividcaravan.core.driver;
