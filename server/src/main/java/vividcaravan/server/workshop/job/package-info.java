/**
 * Fit-out jobs from inspection to the proof that every sensor sits where it should. May depend on description, fleet,
 * history, ingest, logbook, picture, platform, sensors, tyres, wheels and writer. /
 */
package vividcaravan.server.workshop.job;
