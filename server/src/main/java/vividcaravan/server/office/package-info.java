/** Fleet documents over HTTP, tokens, preferences. May depend on platform, vehicles and access. */
package vividcaravan.server.office;
