/**
 * What whoever runs the product needs: figures for monitoring, backup, warnings about disk and clock. May depend on
 * every feature that it watches.
 */
package vividcaravan.server.operation;
