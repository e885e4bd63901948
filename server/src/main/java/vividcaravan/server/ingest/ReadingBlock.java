package vividcaravan.server.ingest;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.judge.Reading;

/** The readings of one sensor within one hour, in the order of their time, each time once. Safe for several threads. */
final class ReadingBlock {

    private final List<ReadingCodec.Entry> entries;
    private boolean isDirty;

    ReadingBlock(List<ReadingCodec.Entry> entries) {
        this.entries = new ArrayList<>(entries);
    }

    /**
     * Puts a reading in its place.
     *
     * @param isLate whether it is stored without being judged
     * @return false if there is one of the same time already
     */
    synchronized boolean add(Reading reading, boolean isLate) {
        int place = entries.size();
        while (place > 0 && entries.get(place - 1).reading().at() > reading.at()) {
            place--;
        }
        if (place > 0 && entries.get(place - 1).reading().at() == reading.at()) {
            return false;
        }
        entries.add(place, new ReadingCodec.Entry(0, reading, isLate));
        isDirty = true;
        return true;
    }

    synchronized List<ReadingCodec.Entry> entries() {
        return List.copyOf(entries);
    }

    synchronized boolean isDirty() {
        return isDirty;
    }

    /** Its bytes for the database; from now on it counts as stored. */
    synchronized byte[] takeBytes() {
        isDirty = false;
        return ReadingCodec.write(entries);
    }
}
