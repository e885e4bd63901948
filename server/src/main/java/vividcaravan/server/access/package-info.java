/** Who may do what: accounts, sign-in, tokens, roles. May depend on mail and platform. */
package vividcaravan.server.access;
