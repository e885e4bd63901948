package vividcaravan.server.ingest;

import vividcaravan.core.judge.rules.Reading;

/**
 * A reading as received, checked but not yet attributed.
 *
 * @param sensor the sensor's code, upper case
 * @param index its place in its body, from 0
 */
record IncomingReading(String sensor, Reading reading, long index) {}
