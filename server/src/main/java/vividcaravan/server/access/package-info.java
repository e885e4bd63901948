/** Who may do what: accounts, sign-in, tokens, roles. May depend on platform and mail. */
package vividcaravan.server.access;
