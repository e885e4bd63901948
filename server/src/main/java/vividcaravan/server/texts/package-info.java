/**
 * Text messages, which a service of the operator's choice sends for us: it is told by a signed call. May depend on logbook,
 * platform and writer.
 */
package vividcaravan.server.texts;
