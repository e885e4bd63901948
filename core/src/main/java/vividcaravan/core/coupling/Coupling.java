package vividcaravan.core.coupling;

/**
 * A vehicle hooked behind another for a time.
 *
 * @param pulled the one behind
 * @param puller the one directly before it: a motor vehicle, or a trailer or dolly
 * @param from since when, epoch milliseconds
 * @param to until when, epoch milliseconds, or {@link #OPEN}
 */
public record Coupling(long id, long pulled, long puller, long from, long to, Source source) {

    /** The end of one that lasts. */
    public static final long OPEN = Long.MAX_VALUE;

    /** How it became known. */
    public enum Source {
        /** Somebody said so at the desk or in the workshop. */
        PERSON("somebody said so"),
        /** The driver said so. */
        DRIVER("the driver said so"),
        /** The motor vehicle's receiver heard the trailer on the road. */
        HEARD("heard together on the road");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }
    }

    /** Whether it lasts. */
    public boolean isOpen() {
        return to == OPEN;
    }

    /** Whether it was so at {@code at}. */
    public boolean covers(long at) {
        return from <= at && at < to;
    }

    /** Whether some of the time from {@code begin} to {@code end} is its own. */
    public boolean touches(long begin, long end) {
        return from < end && begin < to;
    }

    /** The same, ended at {@code end}. */
    public Coupling ending(long end) {
        return new Coupling(id, pulled, puller, from, end, source);
    }
}
