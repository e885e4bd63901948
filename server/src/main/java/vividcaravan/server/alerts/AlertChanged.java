package vividcaravan.server.alerts;

/**
 * Figures of an alert moved without a deed, and that is on disk; what was done to alerts is learned from the logbook.
 *
 * @param changeSeq number of the change, growing without end
 */
public record AlertChanged(long alertId, long changeSeq) {}
