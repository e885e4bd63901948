/** What every feature stands on: settings, problems, the single writer. Depends on no other package. */
package vividcaravan.server.platform;
