/** Who may do what: accounts, sign-in, tokens, roles. May depend on logbook, mail, platform and writer. */
package vividcaravan.server.access;
