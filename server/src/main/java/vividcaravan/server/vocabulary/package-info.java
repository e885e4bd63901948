/**
 * The words for kinds, states and limits, as the pages and other programs show them. May depend on access, fleet and
 * sensorbook.
 */
package vividcaravan.server.vocabulary;
