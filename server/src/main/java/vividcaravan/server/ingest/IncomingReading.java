package vividcaravan.server.ingest;

import vividcaravan.core.judge.Reading;

/**
 * A reading as received, checked but not yet attributed.
 *
 * @param sensor the sensor's code, upper case
 */
record IncomingReading(String sensor, Reading reading) {}
