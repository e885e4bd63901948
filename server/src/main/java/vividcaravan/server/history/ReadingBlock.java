package vividcaravan.server.history;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.judge.Reading;

/**
 * The readings of one sensor within one hour, in the order of their time, each time once; kept as bytes, because the
 * open hour of a large fleet is held in memory. Safe for several threads.
 */
final class ReadingBlock {

    private ReadingCodec.Writer written;
    private long newestAt;
    private boolean isDirty;

    ReadingBlock(List<ReadingCodec.Entry> entries) {
        write(entries);
    }

    private void write(List<ReadingCodec.Entry> entries) {
        written = new ReadingCodec.Writer(entries.size());
        entries.forEach(written::add);
        newestAt = entries.isEmpty()
                ? Long.MIN_VALUE
                : entries.get(entries.size() - 1).reading().at();
    }

    /**
     * Puts a reading in its place.
     *
     * @param isLate whether it is stored without being judged
     * @return false if there is one of the same time already
     */
    synchronized boolean add(Reading reading, boolean isLate) {
        if (reading.at() == newestAt) {
            return false;
        }
        ReadingCodec.Entry entry = new ReadingCodec.Entry(0, reading, isLate);
        if (reading.at() > newestAt) {
            written.add(entry);
            newestAt = reading.at();
        } else if (!insert(entry)) {
            return false;
        }
        isDirty = true;
        return true;
    }

    private boolean insert(ReadingCodec.Entry entry) {
        List<ReadingCodec.Entry> all = new ArrayList<>(entries());
        long at = entry.reading().at();
        int place = all.size();
        while (place > 0 && all.get(place - 1).reading().at() > at) {
            place--;
        }
        if (place > 0 && all.get(place - 1).reading().at() == at) {
            return false;
        }
        all.add(place, entry);
        write(all);
        return true;
    }

    synchronized List<ReadingCodec.Entry> entries() {
        return ReadingCodec.read(written.bytes());
    }

    synchronized boolean isDirty() {
        return isDirty;
    }

    /** Its bytes for the database; from now on it counts as stored. */
    synchronized byte[] takeBytes() {
        isDirty = false;
        return written.bytes();
    }
}
