package vividcaravan.server.ingest;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.judge.Reading;

/**
 * Readings by sensor and hour. The hours being written are in memory, backed by the journal; the others are rows of
 * {@code reading_block} whose key is {@code hour << 32 | sensor}.
 */
@Component
class BlockStore {

    static final long HOUR_MILLIS = 3_600_000;
    private static final int QUERY = 500;

    private final SessionFactory sessions;
    private final Map<Long, ReadingBlock> inMemory = new ConcurrentHashMap<>();

    BlockStore(SessionFactory sessions) {
        this.sessions = sessions;
    }

    void clear() {
        inMemory.clear();
    }

    private static long key(long hour, long sensor) {
        return hour << 32 | sensor;
    }

    private static long hour(long at) {
        return Math.floorDiv(at, HOUR_MILLIS);
    }

    /**
     * Takes in a reading, in memory.
     *
     * @param isNewest whether the sensor's readings are all older, so that an hour not in memory is a new one
     * @return false if there is one of the same sensor and time already
     */
    boolean add(StatelessSession session, long sensor, Reading reading, long newestAt, boolean isLate) {
        long hour = hour(reading.at());
        long key = key(hour, sensor);
        ReadingBlock block = inMemory.get(key);
        if (block == null) {
            boolean isNewHour = newestAt == Long.MIN_VALUE || hour > hour(newestAt);
            block = isNewHour ? new ReadingBlock(List.of()) : new ReadingBlock(stored(session, key));
            inMemory.put(key, block);
        }
        return block.add(reading, isLate);
    }

    private static List<ReadingCodec.Entry> stored(StatelessSession session, long key) {
        byte[] payload = session.createNativeQuery("select payload from reading_block where id = :id", byte[].class)
                .setParameter("id", key)
                .uniqueResult();
        return payload == null ? List.of() : ReadingCodec.read(payload);
    }

    /** The keys of the blocks that the database does not hold as they are. */
    List<Long> dirty() {
        List<Long> dirty = new ArrayList<>();
        inMemory.forEach((key, block) -> {
            if (block.isDirty()) {
                dirty.add(key);
            }
        });
        dirty.sort(Long::compare);
        return dirty;
    }

    /** Writes some blocks. */
    void write(StatelessSession session, Collection<Long> keys) {
        session.doWork(connection -> {
            try (java.sql.PreparedStatement merge =
                    connection.prepareStatement("merge into reading_block (id, payload) key (id) values (?, ?)")) {
                for (Long key : keys) {
                    ReadingBlock block = inMemory.get(key);
                    if (block != null && block.isDirty()) {
                        merge.setLong(1, key);
                        merge.setBytes(2, block.takeBytes());
                        merge.addBatch();
                    }
                }
                merge.executeBatch();
            }
        });
    }

    /** Lets go of blocks that are stored and older than {@code newestHour} says of their sensor. */
    void evict(java.util.function.LongUnaryOperator newestAtOfSensor) {
        inMemory.entrySet().removeIf(entry -> {
            long sensor = entry.getKey() & 0xFFFF_FFFFL;
            long hour = entry.getKey() >> 32;
            return !entry.getValue().isDirty() && hour < hour(newestAtOfSensor.applyAsLong(sensor));
        });
    }

    /**
     * Passes on a sensor's readings from {@code from} inclusive to {@code to} exclusive, oldest first, until
     * {@code isEnough} says so.
     */
    void read(
            long sensor,
            long from,
            long to,
            Consumer<ReadingCodec.Entry> sink,
            java.util.function.BooleanSupplier isEnough) {
        if (from >= to) {
            return;
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            long last = hour(to - 1);
            for (long first = hour(from); first <= last && !isEnough.getAsBoolean(); first += QUERY) {
                for (List<ReadingCodec.Entry> block : blocks(session, sensor, first, Math.min(first + QUERY - 1, last))
                        .values()) {
                    for (ReadingCodec.Entry entry : block) {
                        if (entry.reading().at() >= from && entry.reading().at() < to && !isEnough.getAsBoolean()) {
                            sink.accept(entry);
                        }
                    }
                }
            }
        }
    }

    private Map<Long, List<ReadingCodec.Entry>> blocks(StatelessSession session, long sensor, long first, long last) {
        List<Long> keys = new ArrayList<>();
        Map<Long, List<ReadingCodec.Entry>> found = new TreeMap<>();
        // Memory first: a block written between the two looks is then seen in one of them at least.
        for (long hour = first; hour <= last; hour++) {
            ReadingBlock block = inMemory.get(key(hour, sensor));
            if (block == null) {
                keys.add(key(hour, sensor));
            } else {
                found.put(hour, block.entries());
            }
        }
        // A thousand look-ups by key are quicker than one long list of keys, which has to be parsed and planned.
        session.doWork(connection -> {
            try (java.sql.PreparedStatement select =
                    connection.prepareStatement("select payload from reading_block where id = ?")) {
                for (long key : keys) {
                    select.setLong(1, key);
                    try (java.sql.ResultSet row = select.executeQuery()) {
                        if (row.next()) {
                            found.put(key >> 32, ReadingCodec.read(row.getBytes(1)));
                        }
                    }
                }
            }
        });
        return found;
    }
}
