/**
 * What whoever runs the product needs: figures for monitoring, backup, warnings about disk and clock. May depend on
 * fleet, ingest, logbook, platform and writer. /
 */
package vividcaravan.server.operation;
