package vividcaravan.server.history;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
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
        return merge(List.of(new ReadingCodec.Entry(0, reading, isLate))) > 0;
    }

    /**
     * Puts readings in their places, except those of whose time there is one already. Newer ones are appended; for the
     * others the bytes are read only once, which matters to a long block.
     *
     * @return how many were new
     */
    synchronized int merge(List<ReadingCodec.Entry> more) {
        List<ReadingCodec.Entry> older = new ArrayList<>();
        int added = 0;
        for (ReadingCodec.Entry entry : more) {
            if (entry.reading().at() > newestAt) {
                written.add(entry);
                newestAt = entry.reading().at();
                added++;
            } else if (entry.reading().at() < newestAt) {
                older.add(entry);
            }
        }
        added += older.isEmpty() ? 0 : insert(older);
        isDirty |= added > 0;
        return added;
    }

    private int insert(List<ReadingCodec.Entry> older) {
        TreeMap<Long, ReadingCodec.Entry> byTime = new TreeMap<>();
        entries().forEach(entry -> byTime.put(entry.reading().at(), entry));
        int before = byTime.size();
        older.forEach(entry -> byTime.putIfAbsent(entry.reading().at(), entry));
        if (byTime.size() > before) {
            write(List.copyOf(byTime.values()));
        }
        return byTime.size() - before;
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
