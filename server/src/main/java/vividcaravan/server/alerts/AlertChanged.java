package vividcaravan.server.alerts;

/**
 * An alert was opened or changed, and that is on disk.
 *
 * @param changeSeq number of the change, growing without end
 */
public record AlertChanged(long alertId, long changeSeq) {}
