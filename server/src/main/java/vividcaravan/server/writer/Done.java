package vividcaravan.server.writer;

import vividcaravan.server.logbook.Deed;

/**
 * A change that was made.
 *
 * @param result what the asker is told
 * @param deed what the logbook keeps of it
 */
public record Done<T>(T result, Deed deed) {

    /** A change of which there is nothing to tell but that it was made. */
    public static Done<Void> by(Deed deed) {
        return new Done<>(null, deed);
    }
}
