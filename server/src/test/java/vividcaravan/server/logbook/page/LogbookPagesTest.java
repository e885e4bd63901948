package vividcaravan.server.logbook.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.server.h2.H2Storage;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookReader;
import vividcaravan.server.logbook.LogbookTables;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.logbook.Words;

/** Some thousands of entries, looked through in every way, against a plain look at each of them. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class LogbookPagesTest {

    private static final String URL = "jdbc:h2:mem:pages;DB_CLOSE_DELAY=-1";
    private static final int ENTRIES = 4_321;
    private static final Instant BEGIN = Instant.parse("2026-09-01T00:00:00Z");
    private static final List<DeedKind> KINDS =
            List.of(DeedKind.ALERT_RAISED, DeedKind.PRESSURE_SET, DeedKind.SIGNED_IN, DeedKind.LIMITS_CHANGED);
    private static final List<Author> AUTHORS = List.of(
            Author.JUDGE,
            Author.person("quill", "B. Quill"),
            Author.person("marrable", "I. Marrable"),
            Author.token("quill"));

    private final SessionFactory sessions = LogbookTables.sessions(URL);
    /** So few are looked at for a page that most searches need several. */
    private final LogbookPages pages = new LogbookPages(sessions, 300);

    private List<LogbookEntry> all;

    @BeforeAll
    void writeABook() throws SQLException {
        try (Connection connection = DriverManager.getConnection(URL)) {
            LogbookTables.make(connection);
        }
        Random random = new Random(20_261_128);
        Instant[] now = {BEGIN};
        Logbook book = new Logbook(
                new Clock() {
                    @Override
                    public Instant instant() {
                        return now[0];
                    }

                    @Override
                    public ZoneId getZone() {
                        return ZoneOffset.UTC;
                    }

                    @Override
                    public Clock withZone(ZoneId zone) {
                        return this;
                    }
                },
                new H2Storage(Path.of(".")));
        try (StatelessSession session = sessions.openStatelessSession()) {
            var transaction = session.beginTransaction();
            book.load(session);
            for (int i = 0; i < ENTRIES; i++) {
                now[0] = now[0].plus(Duration.ofMinutes(random.nextInt(30)));
                Logbook.Page page = book.page();
                page.add(AUTHORS.get(random.nextInt(AUTHORS.size())), deed(random));
                page.append(session);
            }
            transaction.commit();
        }
        all = new ArrayList<>(new LogbookReader(sessions).after(0, ENTRIES));
        java.util.Collections.reverse(all);
        assertThat(all).hasSize(ENTRIES);
    }

    private static Deed deed(Random random) {
        long vehicle = random.nextInt(60);
        String position = random.nextBoolean() ? "2LO" : "1R";
        DeedKind kind = KINDS.get(random.nextInt(KINDS.size()));
        Thing thing = kind == DeedKind.ALERT_RAISED
                ? new Thing(Thing.Kind.ALERT, Integer.toString(random.nextInt(300)), "LM-" + vehicle)
                : Thing.vehicle(vehicle, "LM-" + vehicle);
        Deed deed = Deed.of(kind, thing, "did something to LM-" + vehicle);
        deed = random.nextInt(4) == 0 ? deed : deed.at(vehicle, position);
        deed = random.nextInt(10) == 0 ? deed.at(vehicle).at(vehicle + 1, "1R") : deed;
        deed = random.nextInt(50) == 0 ? deed.because("Cracked valve, spare was used") : deed;
        return random.nextInt(700) == 0 ? deed.with("Code", null, "A1B2C3") : deed;
    }

    @AfterAll
    void close() throws SQLException {
        sessions.close();
        try (Connection connection = DriverManager.getConnection(URL);
                Statement statement = connection.createStatement()) {
            statement.execute("shutdown");
        }
    }

    private static boolean fits(LogbookEntry entry, LogbookFilter filter) {
        Deed deed = entry.deed();
        boolean isThere = filter.vehicle() == null
                || deed.at().stream()
                        .anyMatch(place -> place.vehicle() == filter.vehicle()
                                && (filter.position() == null
                                        || place.position().equals(filter.position())));
        return isThere
                && (filter.author() == null
                        || entry.author().kind() == filter.authorKind()
                                && entry.author().id().equals(filter.author()))
                && (filter.kind() == null || deed.kind() == filter.kind())
                && (filter.alert() == null
                        || deed.thing().kind() == Thing.Kind.ALERT
                                && deed.thing().id().equals(filter.alert().toString()))
                && (filter.from() == null || !entry.at().isBefore(filter.from()))
                && (filter.to() == null || entry.at().isBefore(filter.to()))
                && (filter.text() == null
                        || Words.wanted(filter.text()).stream().allMatch(Words.of(entry)::contains));
    }

    private static <T> T sometimes(Random random, T value) {
        return random.nextInt(3) == 0 ? value : null;
    }

    private static LogbookFilter filter(Random random) {
        Long vehicle = sometimes(random, (long) random.nextInt(62));
        Author author = sometimes(random, AUTHORS.get(random.nextInt(AUTHORS.size())));
        Instant from = BEGIN.plus(Duration.ofHours(random.nextInt(1_100)));
        return new LogbookFilter(
                vehicle,
                vehicle == null ? null : sometimes(random, "1R"),
                author == null ? null : author.kind(),
                author == null ? null : author.id(),
                sometimes(random, KINDS.get(random.nextInt(KINDS.size()))),
                random.nextInt(10) == 0 ? (long) random.nextInt(310) : null,
                sometimes(random, from),
                sometimes(random, from.plus(Duration.ofHours(random.nextInt(500)))),
                sometimes(
                        random,
                        List.of("valve", "CRACKED spare", "a1b2c3", "lm-7", "quill", "nowhere", "did LM-2")
                                .get(random.nextInt(7))));
    }

    /** Page by page to the end, in pages of many sizes. */
    private List<Long> found(LogbookFilter filter, int most) {
        List<Long> numbers = new ArrayList<>();
        Long before = Long.MAX_VALUE;
        while (before != null) {
            LogbookPages.Page page = pages.find(filter, before, most);
            assertThat(page.entries().size()).isLessThanOrEqualTo(most);
            page.entries().forEach(entry -> numbers.add(entry.number()));
            before = page.next();
        }
        return numbers;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void findsWhatAPlainLookFindsInItsOrder(long seed) {
        Random random = new Random(seed);
        int hits = 0;
        for (int i = 0; i < 60; i++) {
            LogbookFilter filter = filter(random);
            List<Long> wanted = all.stream()
                    .filter(entry -> fits(entry, filter))
                    .map(LogbookEntry::number)
                    .toList();

            assertThat(found(filter, 1 + random.nextInt(120)))
                    .as(filter.toString())
                    .isEqualTo(wanted);
            hits += wanted.isEmpty() ? 0 : 1;
        }
        assertThat(hits).as("or nothing was tested").isGreaterThan(15);
    }

    @Test
    void handsOutEachEntryWithTheHashOfTheOneBefore() {
        List<LogbookEntry> some = pages.find(
                        new LogbookFilter(null, null, null, null, DeedKind.SIGNED_IN, null, null, null, null),
                        Long.MAX_VALUE,
                        50)
                .entries();

        assertThat(pages.chained(some))
                .allSatisfy(entry -> assertThat(entry).isEqualTo(all.get((int) (ENTRIES - entry.number()))));
    }
}
