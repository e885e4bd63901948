/**
 * The one thread that changes what lasts, the form that a change has, and those who follow what was done. May depend on
 * logbook and platform.
 */
package vividcaravan.server.writer;
