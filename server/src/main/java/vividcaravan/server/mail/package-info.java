/**
 * Mail: written into an outbox, and taken from there to the mail server if there is one. May depend on platform.
 */
package vividcaravan.server.mail;
