/** The words for kinds, states and limits, as the pages and other programs show them. May depend on access and fleet. */
package vividcaravan.server.vocabulary;
