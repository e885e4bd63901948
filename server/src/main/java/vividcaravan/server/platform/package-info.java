/** What every feature stands on: settings, problems, the single writer. Depends on no feature. */
package vividcaravan.server.platform;
