package vividcaravan.server.history;

import java.util.List;
import java.util.TreeMap;

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
     * Puts readings in their places, except those of whose time there is one already, and those beyond what a block may
     * hold. Newer ones are appended; for the others the bytes are read only once, which matters to a long block.
     *
     * @param more in the order of their time
     * @return what became of each
     */
    synchronized List<BlockStore.Taken> take(List<ReadingCodec.Entry> more) {
        BlockStore.Taken[] taken = new BlockStore.Taken[more.size()];
        TreeMap<Long, ReadingCodec.Entry> byTime = null;
        int before = written.count();
        int late = 0;
        for (int i = 0; i < taken.length; i++) {
            ReadingCodec.Entry entry = more.get(i);
            long at = entry.reading().at();
            if (at > newestAt) {
                taken[i] = written.count() + late >= BlockStore.MOST_IN_HOUR
                        ? BlockStore.Taken.FULL
                        : BlockStore.Taken.NEW;
                if (taken[i] == BlockStore.Taken.NEW) {
                    written.add(entry);
                    newestAt = at;
                }
            } else if (at == newestAt) {
                taken[i] = BlockStore.Taken.KNOWN;
            } else {
                byTime = byTime == null ? byTime() : byTime;
                taken[i] = byTime.containsKey(at)
                        ? BlockStore.Taken.KNOWN
                        : written.count() + late >= BlockStore.MOST_IN_HOUR
                                ? BlockStore.Taken.FULL
                                : BlockStore.Taken.NEW;
                if (taken[i] == BlockStore.Taken.NEW) {
                    byTime.put(at, entry);
                    late++;
                }
            }
        }
        isDirty |= late > 0 || written.count() > before;
        if (late > 0) {
            // What was appended meanwhile is not among them yet.
            for (ReadingCodec.Entry entry : entries().subList(before, written.count())) {
                byTime.put(entry.reading().at(), entry);
            }
            write(List.copyOf(byTime.values()));
        }
        return List.of(taken);
    }

    private TreeMap<Long, ReadingCodec.Entry> byTime() {
        TreeMap<Long, ReadingCodec.Entry> byTime = new TreeMap<>();
        entries().forEach(entry -> byTime.put(entry.reading().at(), entry));
        return byTime;
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
