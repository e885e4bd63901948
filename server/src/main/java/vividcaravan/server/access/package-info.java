/** Who may do what: accounts, sign-in, tokens, roles. May depend on platform. */
package vividcaravan.server.access;
