package vividcaravan.server.history;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import java.util.function.LongUnaryOperator;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Storage;

/**
 * Readings by sensor and hour. The hours being written are in memory, backed by the journal; the others are rows of
 * their week's table whose key is {@code hour << 32 | sensor}, so that closing an hour appends.
 */
@Component
public class BlockStore {

    /** An hour, milliseconds. */
    public static final long HOUR_MILLIS = 3_600_000;

    /** The most readings that are kept of a sensor and an hour: a row of the database holds so many, and no sensor sends them. */
    public static final int MOST_IN_HOUR = 40_000;

    private static final Logger LOG = LoggerFactory.getLogger(BlockStore.class);

    /** What became of a reading. */
    public enum Taken {
        NEW,
        /** There is one of the same time already. */
        KNOWN,
        /** There are {@link #MOST_IN_HOUR} of that hour already. */
        FULL
    }

    private final SessionFactory sessions;
    private final Map<Long, ReadingBlock> inMemory = new ConcurrentHashMap<>();
    private final Storage storage;
    private final WeekTables weeks;
    private volatile long oldestHour;

    BlockStore(SessionFactory sessions, Storage storage) {
        this.storage = storage;
        this.weeks = new WeekTables(storage);
        this.sessions = sessions;
    }

    /** Forgets what is in memory and learns afresh what the database holds. */
    public void load(StatelessSession session) {
        inMemory.clear();
        weeks.load(session);
        oldestHour = weeks.oldest().map(week -> week * WeekTables.HOURS).orElse(Long.MAX_VALUE);
    }

    /** Forgets what is in memory of some sensors; it has to be given back from the journal. */
    public void forget(LongPredicate isForgotten) {
        inMemory.keySet().removeIf(key -> isForgotten.test(sensor(key)));
    }

    private static long key(long hour, long sensor) {
        return hour << 32 | sensor;
    }

    /** The sensor in a block's key. */
    static long sensor(long key) {
        return key & 0xFFFF_FFFFL;
    }

    /** The hour in a block's key, hours since 1970. */
    static long hourOfKey(long key) {
        return key >> 32;
    }

    /** The hour that holds a time, hours since 1970; the time in epoch milliseconds. */
    public static long hour(long at) {
        return Math.floorDiv(at, HOUR_MILLIS);
    }

    /**
     * Takes in readings of a sensor, in memory.
     *
     * @param readings in the order of their time; marked are those to be stored without being judged
     * @param newestAt time of the sensor's newest reading so far, epoch milliseconds: a later hour is a new one
     * @return what became of each
     */
    public List<Taken> take(StatelessSession session, long sensor, List<ReadingCodec.Entry> readings, long newestAt) {
        List<Taken> taken = new ArrayList<>(readings.size());
        for (int from = 0; from < readings.size(); ) {
            long hour = hour(readings.get(from).reading().at());
            int to = from + 1;
            while (to < readings.size() && hour(readings.get(to).reading().at()) == hour) {
                to++;
            }
            boolean isNewHour = newestAt == Long.MIN_VALUE || hour > hour(newestAt);
            taken.addAll(inMemory(session, key(hour, sensor), isNewHour).take(readings.subList(from, to)));
            from = to;
        }
        return taken;
    }

    /** Takes in readings of a sensor and an hour, some of which may have been stored before. */
    public void merge(StatelessSession session, long sensor, long hour, List<ReadingCodec.Entry> readings) {
        List<ReadingCodec.Entry> inOrder = new ArrayList<>(readings);
        inOrder.sort(Comparator.comparingLong(entry -> entry.reading().at()));
        long beyond = inMemory(session, key(hour, sensor), false).take(inOrder).stream()
                .filter(taken -> taken == Taken.FULL)
                .count();
        if (beyond > 0) {
            LOG.warn(
                    "{} readings that an earlier version took are not kept: sensor {} has {} in that hour already",
                    beyond,
                    sensor,
                    MOST_IN_HOUR);
        }
    }

    private ReadingBlock inMemory(StatelessSession session, long key, boolean isNew) {
        ReadingBlock block = inMemory.get(key);
        if (block == null) {
            block = new ReadingBlock(isNew ? List.of() : stored(session, key));
            inMemory.put(key, block);
            oldestHour = Math.min(oldestHour, hourOfKey(key));
        }
        return block;
    }

    private List<ReadingCodec.Entry> stored(StatelessSession session, long key) {
        Map<Long, List<ReadingCodec.Entry>> found = new TreeMap<>();
        session.doWork(connection -> lookUp(connection, List.of(key), found));
        return found.getOrDefault(hourOfKey(key), List.of());
    }

    /** The keys of the blocks that the database does not hold as they are, in the order of their hours. */
    public List<Long> dirty() {
        List<Long> dirty = new ArrayList<>();
        inMemory.forEach((key, block) -> {
            if (block.isDirty()) {
                dirty.add(key);
            }
        });
        dirty.sort(Long::compare);
        return dirty;
    }

    /** Makes the tables that {@link #write} needs. H2 commits by itself here. */
    public void prepare(StatelessSession session, Collection<Long> keys) {
        keys.stream().map(key -> WeekTables.week(hourOfKey(key))).distinct().forEach(week -> weeks.make(session, week));
    }

    /** Writes some blocks. */
    public void write(StatelessSession session, List<Long> keys) {
        for (int from = 0; from < keys.size(); ) {
            long week = WeekTables.week(hourOfKey(keys.get(from)));
            int to = from;
            while (to < keys.size() && WeekTables.week(hourOfKey(keys.get(to))) == week) {
                to++;
            }
            List<Long> ofWeek = keys.subList(from, to);
            session.doWork(connection -> write(connection, week, ofWeek));
            from = to;
        }
    }

    private void write(Connection connection, long week, List<Long> keys) throws SQLException {
        try (PreparedStatement merge =
                connection.prepareStatement(storage.upsertInOrder(WeekTables.name(week), "id", "id", "payload"))) {
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
    }

    /** Lets go of blocks that are stored and of an hour before the one {@code newestAtOfSensor} says of their sensor. */
    public void evict(LongUnaryOperator newestAtOfSensor) {
        inMemory.entrySet().removeIf(entry -> {
            long newest = newestAtOfSensor.applyAsLong(sensor(entry.getKey()));
            return !entry.getValue().isDirty() && hourOfKey(entry.getKey()) < hour(newest);
        });
    }

    /** No reading is older than this hour, hours since 1970. */
    long oldestHour() {
        return oldestHour;
    }

    /** Whether a block of the sensor in these hours is in memory, and so newer than what is derived from the stored. */
    boolean isInMemory(long sensor, long firstHour, long lastHour) {
        for (long hour = firstHour; hour <= lastHour; hour++) {
            if (inMemory.containsKey(key(hour, sensor))) {
                return true;
            }
        }
        return false;
    }

    /** Whether there are weeks that lie wholly before {@code hour}; safe to ask. */
    boolean hasBefore(long hour) {
        return weeks.oldest().filter(week -> week < WeekTables.week(hour)).isPresent();
    }

    /** Drops the weeks that lie wholly before {@code hour}; returns how many. H2 commits by itself here. */
    int dropBefore(StatelessSession session, long hour) {
        return weeks.dropBefore(session, WeekTables.week(hour));
    }

    /**
     * Passes on a sensor's readings from {@code from} inclusive to {@code to} exclusive, oldest first, until
     * {@code isEnough} says so. Holds no connection while it passes on: {@code sink} may write to a client that is slow to read.
     */
    public void read(long sensor, long from, long to, Consumer<ReadingCodec.Entry> sink, BooleanSupplier isEnough) {
        read(this::blocksOfOwnSession, sensor, from, to, sink, isEnough);
    }

    /** Passes them on within a session of the caller's, as the writer does. */
    public void read(
            StatelessSession session,
            long sensor,
            long from,
            long to,
            Consumer<ReadingCodec.Entry> sink,
            BooleanSupplier isEnough) {
        read((one, first, last) -> blocks(session, one, first, last), sensor, from, to, sink, isEnough);
    }

    private interface Blocks {
        Map<Long, List<ReadingCodec.Entry>> of(long sensor, long firstHour, long lastHour);
    }

    private Map<Long, List<ReadingCodec.Entry>> blocksOfOwnSession(long sensor, long first, long last) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return blocks(session, sensor, first, last);
        }
    }

    private static void read(
            Blocks blocks,
            long sensor,
            long from,
            long to,
            Consumer<ReadingCodec.Entry> sink,
            BooleanSupplier isEnough) {
        if (from >= to) {
            return;
        }
        long last = hour(to - 1);
        for (long first = hour(from); first <= last && !isEnough.getAsBoolean(); ) {
            // A week at a time: a whole week without a table holds nothing, however long ago.
            long week = WeekTables.week(first);
            long end = Math.min((week + 1) * WeekTables.HOURS - 1, last);
            for (List<ReadingCodec.Entry> block : blocks.of(sensor, first, end).values()) {
                for (ReadingCodec.Entry entry : block) {
                    if (entry.reading().at() >= from && entry.reading().at() < to && !isEnough.getAsBoolean()) {
                        sink.accept(entry);
                    }
                }
            }
            first = end + 1;
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
        session.doWork(connection -> lookUp(connection, keys, found));
        return found;
    }

    /** Keys of one week. A thousand look-ups by key are quicker than one long list of keys, which is parsed and planned. */
    private void lookUp(Connection connection, List<Long> keys, Map<Long, List<ReadingCodec.Entry>> found)
            throws SQLException {
        if (keys.isEmpty() || !weeks.has(WeekTables.week(hourOfKey(keys.get(0))))) {
            return;
        }
        String table = WeekTables.name(WeekTables.week(hourOfKey(keys.get(0))));
        try (PreparedStatement select = connection.prepareStatement("select payload from " + table + " where id = ?")) {
            for (long key : keys) {
                select.setLong(1, key);
                try (ResultSet row = select.executeQuery()) {
                    if (row.next()) {
                        found.put(hourOfKey(key), ReadingCodec.read(row.getBytes(1)));
                    }
                }
            }
        } catch (SQLException e) {
            // The week was dropped meanwhile: it is beyond the retention.
            if (weeks.has(WeekTables.week(hourOfKey(keys.get(0))))) {
                throw e;
            }
        }
    }
}
