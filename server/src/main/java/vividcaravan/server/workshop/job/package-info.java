/**
 * Fit-out jobs from inspection to the proof that every sensor sits where it should. May depend on description,
 * fleet, history, ingest, picture, platform, sensors and wheels.
 */
package vividcaravan.server.workshop.job;
