/** Fleet documents over HTTP, tokens, the team and its mail. May depend on platform, mail, vehicles and access. */
package vividcaravan.server.office;
