package vividcaravan.server.live;

/**
 * How a wheel is now, as it is told.
 *
 * @param vehicle identity of its vehicle
 * @param json its {@link WheelEvent}
 */
record WheelNews(long vehicle, String json) {}
