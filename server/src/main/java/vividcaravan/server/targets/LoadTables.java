package vividcaravan.server.targets;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.planning.LoadTable;
import vividcaravan.core.planning.RatedTable;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Tyre makers' load tables, as people entered them: one for each size and speed. */
@Component
public class LoadTables {

    private static final int LONGEST_SIZE = 40;
    private static final int LONGEST_SOURCE = 200;
    private static final int FASTEST_KMH = 160;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Clock clock;
    private final JsonMapper json;

    LoadTables(SessionFactory sessions, SingleWriter writer, Clock clock, JsonMapper json) {
        this.sessions = sessions;
        this.writer = writer;
        this.clock = clock;
        this.json = json;
    }

    /** A table that is kept; {@code enteredAt} is epoch milliseconds. */
    record Kept(
            long id,
            String tyreSize,
            String source,
            @Nullable Integer speedKmh,
            long enteredAt,
            String enteredBy,
            LoadTable table) {}

    /** Sizes are written with more and with less space. */
    private static String plain(String size) {
        return size.strip().replaceAll("\\s+", " ").toUpperCase(Locale.ROOT);
    }

    /** Every table, by size. */
    List<Kept> all() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from LoadTableRow order by tyreSize, speedKmh", LoadTableRow.class)
                    .getResultList()
                    .stream()
                    .map(this::kept)
                    .toList();
        }
    }

    private Kept kept(LoadTableRow row) {
        return new Kept(
                row.id,
                row.tyreSize,
                row.source,
                row.speedKmh,
                row.enteredAt,
                row.enteredBy,
                json.readValue(row.payload, LoadTable.class));
    }

    /** The tables of a size. */
    List<RatedTable> find(@Nullable String size) {
        if (size == null) {
            return List.of();
        }
        try (StatelessSession session = sessions.openStatelessSession()) {
            return rows(View.of(session), plain(size)).stream()
                    .map(this::kept)
                    .map(kept -> new RatedTable(kept.table(), kept.speedKmh()))
                    .toList();
        }
    }

    private static List<LoadTableRow> rows(View view, String size) {
        return view.select("from LoadTableRow where tyreSize = :size", LoadTableRow.class)
                .setParameter("size", size)
                .getResultList();
    }

    /**
     * Keeps the table of a size and a speed; an earlier one of the same gives way.
     *
     * @throws Refusal if size or source are missing, or the speed is none
     */
    public void put(
            @Nullable String size, @Nullable String source, @Nullable Integer speedKmh, LoadTable table, String who) {
        writer.make(putting(size, source, speedKmh, table, who));
    }

    /** The keeping of a table. */
    Change<Void> putting(
            @Nullable String size, @Nullable String source, @Nullable Integer speedKmh, LoadTable table, String who) {
        Faults faults = new Faults();
        faults.text(
                "tyreSize",
                size,
                LONGEST_SIZE,
                "Give the tyre size as it stands on the sidewall, 40 characters at most.");
        faults.text(
                "source",
                source,
                LONGEST_SOURCE,
                "Say where the table comes from: maker and edition, 200 characters at most.");
        if (speedKmh != null && (speedKmh < 5 || speedKmh > FASTEST_KMH)) {
            faults.add("speedKmh", "Such tables are for 5 to 160 km/h, this says " + speedKmh + ".");
        }
        faults.refuse();
        return view -> {
            Optional<LoadTableRow> known = rows(view, plain(size)).stream()
                    .filter(row -> Objects.equals(row.speedKmh, speedKmh))
                    .findFirst();
            String before = known.map(row -> row.source).orElse(null);
            return Decision.make(pen -> {
                StatelessSession session = pen.session();
                LoadTableRow row = known.orElseGet(LoadTableRow::new);
                row.tyreSize = plain(size);
                row.source = source.strip();
                row.speedKmh = speedKmh;
                row.enteredAt = clock.millis();
                row.enteredBy = who;
                row.payload = json.writeValueAsString(table);
                if (known.isPresent()) {
                    session.update(row);
                } else {
                    session.insert(row);
                }
                return Done.by(
                        Deed.of(DeedKind.LOAD_TABLE_ENTERED, thing(row), "entered the load table of " + name(row))
                                .with("Source", before, row.source)
                                .with("Rows", null, table.rows().size()));
            });
        };
    }

    /**
     * Forgets a table.
     *
     * @throws Refusal if there is none
     */
    void remove(long id) {
        writer.make(view -> {
            LoadTableRow row = view.get(LoadTableRow.class, id);
            if (row == null) {
                throw Refusal.notFound("There is no table " + id + ".");
            }
            return Decision.make(pen -> {
                pen.session().delete(row);
                return Done.by(
                        Deed.of(DeedKind.LOAD_TABLE_FORGOTTEN, thing(row), "forgot the load table of " + name(row))
                                .with("Source", row.source, null));
            });
        });
    }

    private static String name(LoadTableRow row) {
        return row.speedKmh == null ? row.tyreSize : row.tyreSize + " at " + row.speedKmh + " km/h";
    }

    private static Thing thing(LoadTableRow row) {
        return new Thing(Thing.Kind.LOAD_TABLE, Long.toString(row.id), name(row));
    }
}
