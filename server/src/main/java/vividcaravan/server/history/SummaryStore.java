package vividcaravan.server.history;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Storage;

/**
 * Summaries of hours, kept for good: one row per sensor and day (UTC) with key {@code day << 32 | sensor}, written when
 * the day is over, from the stored readings. Days not yet written are summed up on the spot.
 */
@Component
class SummaryStore {

    static final long HOURS_OF_DAY = 24;
    static final long DAY_MILLIS = HOURS_OF_DAY * BlockStore.HOUR_MILLIS;

    /** For readings of a sensor that sat nowhere. */
    private static final TemperatureCompensation AT_SEA_LEVEL =
            TemperatureCompensation.toTwentyCelsius(Atmosphere.at(0));

    private final FleetDirectory fleet;
    private final BlockStore blocks;
    private final SessionFactory sessions;
    private final Storage storage;
    private volatile long writtenBefore;
    private volatile long firstDay;

    SummaryStore(FleetDirectory fleet, BlockStore blocks, SessionFactory sessions, Storage storage) {
        this.fleet = fleet;
        this.blocks = blocks;
        this.sessions = sessions;
        this.storage = storage;
    }

    static long day(long at) {
        return Math.floorDiv(at, DAY_MILLIS);
    }

    private static long key(long day, long sensor) {
        return day << 32 | sensor;
    }

    /**
     * Learns up to where the summaries go.
     *
     * @param today for a database that has none yet: the days before it count as written, as they are empty
     */
    void load(StatelessSession session, long today) {
        Long mark = session.createNativeQuery("select written_before from summary_state where id = 1", Long.class)
                .getSingleResult();
        writtenBefore = mark == null ? today : mark;
        Long first = session.createNativeQuery("select min(id) from reading_day", Long.class)
                .getSingleResult();
        firstDay = first == null ? Long.MAX_VALUE : first >> 32;
        if (mark == null) {
            session.getFactory().inStatelessTransaction(own -> mark(own, today));
        }
    }

    /** The first day (since 1970, UTC) whose rows are not written yet. */
    long writtenBefore() {
        return writtenBefore;
    }

    /** Takes note that the rows of all days before {@code day} are written. */
    void mark(StatelessSession session, long day) {
        session.createNativeMutationQuery("update summary_state set written_before = :day where id = 1")
                .setParameter("day", day)
                .executeUpdate();
        writtenBefore = day;
    }

    /** Writes the row of a sensor's day from its readings; nothing where there are none. */
    void write(StatelessSession session, long day, long sensorId) {
        Optional<KnownSensor> sensor = fleet.sensor(sensorId);
        if (sensor.isEmpty()) {
            return;
        }
        List<HourSummary> summaries = sumUp(session, sensor.get(), day);
        if (!summaries.isEmpty()) {
            firstDay = Math.min(firstDay, day);
            session.doWork(connection -> write(connection, key(day, sensorId), HourSummary.write(summaries)));
        }
    }

    private void write(Connection connection, long id, byte[] payload) throws SQLException {
        try (PreparedStatement merge =
                connection.prepareStatement(storage.upsertInOrder("reading_day", "id", "id", "payload"))) {
            merge.setLong(1, id);
            merge.setBytes(2, payload);
            merge.executeUpdate();
        }
    }

    private List<HourSummary> sumUp(StatelessSession session, KnownSensor sensor, long day) {
        List<HourSummary> summaries = new ArrayList<>();
        Fitting[] open = {null};
        blocks.read(
                session,
                sensor.id(),
                day * DAY_MILLIS,
                (day + 1) * DAY_MILLIS,
                entry -> {
                    Reading reading = entry.reading();
                    if (reading.isMeasurement()) {
                        Fitting stay = sensor.fittingAt(reading.at()).orElse(null);
                        HourSummary one = HourSummary.of(
                                reading,
                                compensation(sensor, stay)
                                        .compensateKpa(reading.pressureKpa(), reading.temperatureC()));
                        add(summaries, one, stay == open[0]);
                        open[0] = stay;
                    }
                },
                () -> false);
        return summaries;
    }

    private static void add(List<HourSummary> summaries, HourSummary one, boolean isSameStay) {
        int last = summaries.size() - 1;
        if (isSameStay && last >= 0 && summaries.get(last).hour() == one.hour()) {
            summaries.set(last, summaries.get(last).plus(one));
        } else {
            summaries.add(one);
        }
    }

    private TemperatureCompensation compensation(KnownSensor sensor, Fitting stay) {
        return stay == null
                ? AT_SEA_LEVEL
                : fleet.vehicle(stay.vehicle())
                        .map(vehicle -> vehicle.compensation(sensor))
                        .orElse(AT_SEA_LEVEL);
    }

    /** Passes on a sensor's summaries of the hours and stays that began within the time, oldest first. */
    void read(KnownSensor sensor, long from, long to, Consumer<HourSummary> sink) {
        if (from >= to) {
            return;
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            long last = day(to - 1);
            long first = Math.min(firstDay, Math.floorDiv(blocks.oldestHour(), HOURS_OF_DAY));
            for (long day = Math.max(day(from), first); day <= last; day++) {
                for (HourSummary summary : ofDay(session, sensor, day)) {
                    if (summary.firstAt() >= from && summary.firstAt() < to) {
                        sink.accept(summary);
                    }
                }
            }
        }
    }

    private List<HourSummary> ofDay(StatelessSession session, KnownSensor sensor, long day) {
        boolean isWritten = day < writtenBefore
                && !blocks.isInMemory(sensor.id(), day * HOURS_OF_DAY, (day + 1) * HOURS_OF_DAY - 1);
        if (!isWritten) {
            return sumUp(session, sensor, day);
        }
        List<HourSummary> found = new ArrayList<>();
        session.doWork(connection -> {
            try (PreparedStatement select =
                    connection.prepareStatement("select payload from reading_day where id = ?")) {
                select.setLong(1, key(day, sensor.id()));
                try (ResultSet row = select.executeQuery()) {
                    if (row.next()) {
                        found.addAll(HourSummary.read(row.getBytes(1)));
                    }
                }
            }
        });
        return found;
    }
}
