package vividcaravan.server.ingest;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.platform.Storage;
import vividcaravan.server.writer.WriterState;

/** Sensors that are heard and are not ours. Kept for the pairing screen, never judged. */
@Component
@Order(2)
public class Strangers implements WriterState {

    /** Where many vehicles pass, only this many are remembered. */
    private static final int MOST = 10_000;
    /** How many make room at once where there is none, so that not every newcomer has to look for the oldest. */
    private static final int ROOM = 500;

    private static final long WRITE_EVERY_MILLIS = 10_000;

    private static final class Heard {
        volatile long firstAt;
        volatile long lastAt;
        volatile long readings;
        volatile Reading newest;
        volatile String receiver;
        boolean isStored;
    }

    /** So many that were heard again are written with one commit: nobody's readings wait for a thousand strangers. */
    private static final int MOST_AT_ONCE = 200;

    private final Map<String, Heard> heard = new ConcurrentHashMap<>();
    private final Set<String> gone = new HashSet<>();
    /** Those that were never written, and those that changed since, the longest waiting first. */
    private final Set<String> fresh = new LinkedHashSet<>();

    private final Set<String> dirty = new LinkedHashSet<>();

    private final Storage storage;
    private final Clock clock;
    private long writtenAt;
    private boolean isForgotten;

    Strangers(Storage storage, Clock clock) {
        this.storage = storage;
        this.clock = clock;
    }

    @Override
    public void load(StatelessSession session) {
        heard.clear();
        gone.clear();
        fresh.clear();
        dirty.clear();
        List<Object[]> rows = session.createNativeQuery(
                        "select code, first_heard_at, last_heard_at, readings, pressure_kpa, temperature_c, rssi_dbm,"
                                + " receiver from stranger",
                        Object[].class)
                .addScalar("code", String.class)
                .addScalar("first_heard_at", Instant.class)
                .addScalar("last_heard_at", Instant.class)
                .addScalar("readings", Long.class)
                .addScalar("pressure_kpa", Double.class)
                .addScalar("temperature_c", Double.class)
                .addScalar("rssi_dbm", Integer.class)
                .addScalar("receiver", String.class)
                .getResultList();
        for (Object[] row : rows) {
            Heard known = new Heard();
            known.firstAt = ((Instant) row[1]).toEpochMilli();
            known.lastAt = ((Instant) row[2]).toEpochMilli();
            known.readings = (Long) row[3];
            known.newest = new Reading(
                    known.lastAt,
                    row[4] == null ? Double.NaN : (Double) row[4],
                    row[5] == null ? Double.NaN : (Double) row[5],
                    null,
                    (Integer) row[6],
                    null);
            known.receiver = (String) row[7];
            known.isStored = true;
            heard.put((String) row[0], known);
        }
    }

    /**
     * @param receiver what heard it, or null
     */
    void hear(String code, Reading reading, @Nullable String receiver) {
        Heard known = heard.get(code);
        if (known == null) {
            if (heard.size() >= MOST) {
                makeRoom();
            }
            known = new Heard();
            known.firstAt = reading.at();
            known.lastAt = reading.at();
            known.newest = reading;
            heard.put(code, known);
            gone.remove(code);
        }
        known.readings = known.readings + 1;
        known.firstAt = Math.min(known.firstAt, reading.at());
        if (reading.at() >= known.newest.at()) {
            known.newest = reading;
            known.lastAt = reading.at();
            known.receiver = receiver == null ? known.receiver : receiver;
        }
        (known.isStored ? dirty : fresh).add(code);
    }

    /** Those unheard for longest give way: who passes a gate now counts, not who passed it months ago. */
    private void makeRoom() {
        heard.entrySet().stream()
                .sorted(Comparator.comparingLong(entry -> entry.getValue().lastAt))
                .limit(ROOM)
                .map(Map.Entry::getKey)
                .toList()
                .forEach(code -> {
                    heard.remove(code);
                    fresh.remove(code);
                    dirty.remove(code);
                    gone.add(code);
                });
    }

    /** Reads afresh what a write that failed may have changed. */
    @Override
    public void takeBack(StatelessSession session) {
        if (isForgotten) {
            load(session);
        }
    }

    @Override
    public void settled() {
        isForgotten = false;
    }

    /** Writes the new ones at once and the others now and then: how often a stranger passed is not worth a commit. */
    @Override
    public void beforeCommit(StatelessSession session) {
        if (gone.isEmpty() && fresh.isEmpty() && dirty.isEmpty()) {
            return;
        }
        long now = clock.millis();
        boolean isDue = now - writtenAt >= WRITE_EVERY_MILLIS;
        List<String> due = Stream.concat(fresh.stream(), isDue ? dirty.stream().limit(MOST_AT_ONCE) : Stream.empty())
                .toList();
        // What is taken for written is read afresh where the write fails.
        isForgotten |= !due.isEmpty() || !gone.isEmpty();
        for (String code : gone) {
            session.createNativeMutationQuery("delete from stranger where code = :code")
                    .setParameter("code", code)
                    .executeUpdate();
        }
        gone.clear();
        due.forEach(code -> write(session, code, heard.get(code)));
        due.forEach(fresh::remove);
        due.forEach(dirty::remove);
        writtenAt = isDue && dirty.isEmpty() ? now : writtenAt;
    }

    private void write(StatelessSession session, String code, Heard known) {
        Reading newest = known.newest;
        session.createNativeMutationQuery(storage.upsert(
                        "stranger",
                        "code",
                        "code",
                        "first_heard_at",
                        "last_heard_at",
                        "readings",
                        "pressure_kpa",
                        "temperature_c",
                        "rssi_dbm",
                        "receiver"))
                .setParameter("code", code)
                .setParameter("first_heard_at", Instant.ofEpochMilli(known.firstAt))
                .setParameter("last_heard_at", Instant.ofEpochMilli(known.lastAt))
                .setParameter("readings", known.readings)
                .setParameter(
                        "pressure_kpa", Double.isNaN(newest.pressureKpa()) ? null : newest.pressureKpa(), Double.class)
                .setParameter(
                        "temperature_c",
                        Double.isNaN(newest.temperatureC()) ? null : newest.temperatureC(),
                        Double.class)
                .setParameter("rssi_dbm", newest.rssiDbm(), Integer.class)
                .setParameter("receiver", known.receiver, String.class)
                .executeUpdate();
        known.isStored = true;
    }

    /**
     * A sensor that is not ours.
     *
     * @param newest its newest reading
     * @param receiver what heard it last, or null where nobody said
     */
    public record Stranger(
            String code, Instant firstHeardAt, long readings, Reading newest, @Nullable String receiver) {}

    /** Those heard since {@code since}, epoch milliseconds; safe to ask from any thread. */
    public List<Stranger> heardSince(long since) {
        return heard.entrySet().stream()
                .filter(entry -> entry.getValue().lastAt >= since)
                .map(entry -> new Stranger(
                        entry.getKey(),
                        Instant.ofEpochMilli(entry.getValue().firstAt),
                        entry.getValue().readings,
                        entry.getValue().newest,
                        entry.getValue().receiver))
                .toList();
    }

    /** Forgets one that became ours. */
    public void forget(String code) {
        fresh.remove(code);
        dirty.remove(code);
        if (heard.remove(code) != null) {
            isForgotten = true;
            gone.add(code);
        }
    }
}
