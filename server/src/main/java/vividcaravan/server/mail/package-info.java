/**
 * Mail: written into an outbox, and taken from there to the mail server if there is one. May depend on logbook,
 * platform and writer. /
 */
package vividcaravan.server.mail;
