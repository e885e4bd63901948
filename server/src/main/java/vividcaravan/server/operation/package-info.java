/**
 * What whoever runs the product needs: figures for monitoring, backup, warnings about disk and clock. May depend on
 * fleet, ingest and platform.
 */
package vividcaravan.server.operation;
