/**
 * The Larkmoor demo fleet and its simulated receivers; nothing depends on it. May depend on access, couplings, document,
 * drivers, duty, fleet, gauges, logbook, moves, platform, sensorbook, stores, targets, tyres and writer.
 */
package vividcaravan.server.demo;
