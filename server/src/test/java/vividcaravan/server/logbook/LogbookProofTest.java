package vividcaravan.server.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicInteger;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.server.h2.H2Storage;

/** A book of forty entries, and everything that somebody with the database in hand could do to one of them. */
class LogbookProofTest {

    private static final AtomicInteger DATABASES = new AtomicInteger();
    private static final int ENTRIES = 40;

    private final String url = "jdbc:h2:mem:proof" + DATABASES.incrementAndGet() + ";DB_CLOSE_DELAY=-1";
    private SessionFactory sessions;
    private Connection connection;
    private Instant now = Instant.parse("2026-11-20T06:00:00Z");

    private final Clock clock = new Clock() {
        @Override
        public Instant instant() {
            return now;
        }

        @Override
        public ZoneOffset getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(java.time.ZoneId zone) {
            return this;
        }
    };

    @BeforeEach
    void writeABook() throws SQLException {
        connection = DriverManager.getConnection(url);
        LogbookTables.make(connection);
        sessions = LogbookTables.sessions(url);
        write(ENTRIES);
    }

    private void write(int entries) {
        Logbook book = new Logbook(clock, new H2Storage(Path.of(".")));
        try (StatelessSession session = sessions.openStatelessSession()) {
            var transaction = session.beginTransaction();
            book.load(session);
            for (int i = 0; i < entries; i++) {
                now = now.plus(Duration.ofMinutes(1));
                Logbook.Page page = book.page();
                page.add(
                        i % 3 == 0 ? Author.JUDGE : Author.person("quill", "B. Quill"),
                        Deed.of(
                                        DeedKind.PRESSURE_SET,
                                        new Thing(Thing.Kind.WHEEL, "4 1L", "LM-0" + i % 7 + " 1L"),
                                        "recorded that the pressure of LM-0" + i % 7 + " 1L was set")
                                .at(4, "1L")
                                .with("Hand gauge", "kPa", 742 + i, 845)
                                .because("cold"));
                page.append(session);
            }
            transaction.commit();
        }
    }

    @AfterEach
    void close() throws SQLException {
        sessions.close();
        run("shutdown");
    }

    private void run(String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    private LogbookProof proof() throws SQLException {
        return LogbookProof.of(connection);
    }

    @Test
    void aBookAsItWasWrittenIsWhole() throws SQLException {
        LogbookProof proof = proof();

        assertThat(proof.breaks()).isEmpty();
        assertThat(proof.entries()).isEqualTo(ENTRIES);
        assertThat(proof.newest()).isEqualTo(ENTRIES);
        assertThat(LogbookProof.hashOf(connection, ENTRIES)).contains(proof.hash());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "at | at + 1",
                "author_kind | 'TOKEN'",
                "author | 'sedge'",
                "author_name | 'P. Sedge'",
                "kind | 'SIGNED_IN'",
                "thing_kind | 'AXLE'",
                "thing | '4 1R'",
                "thing_name | 'LM-09 1L'",
                "places | '4 1R'",
                "places | null",
                "words | 'did nothing'",
                "differences | null",
                "differences | replace(differences, '845', '846')",
                "why | null",
                "why | 'warm'",
                "hash | X'00'",
            })
    void everyChangeToAnyEntryIsFound(String column, String value) throws SQLException {
        for (int number : new int[] {1, 2, 17, ENTRIES - 1, ENTRIES}) {
            run("create table kept as select * from logbook where number = " + number);
            run("update logbook set " + column + " = " + value + " where number = " + number);

            assertThat(proof().breaks())
                    .as("%s of entry %d", column, number)
                    .isNotEmpty()
                    .first()
                    .satisfies(one -> assertThat(one.number()).isBetween((long) number, number + 1L));

            run("delete from logbook where number = " + number);
            run("insert into logbook select * from kept");
            run("drop table kept");
            assertThat(proof().isWhole()).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 17, ENTRIES - 1})
    void anEntryThatIsMissingIsFound(int number) throws SQLException {
        run("delete from logbook where number = " + number);

        assertThat(proof().breaks()).first().satisfies(one -> {
            assertThat(one.number()).isEqualTo(number + 1L);
            assertThat(one.what()).contains("Entry " + number + " is missing");
        });
    }

    @Test
    void entriesThatWereClosedUpOverAMissingOneAreFound() throws SQLException {
        run("delete from logbook where number = 17");
        run("update logbook set number = number - 1 where number > 17");

        assertThat(proof().isWhole()).isFalse();
    }

    @Test
    void entriesThatChangedPlacesAreFound() throws SQLException {
        run("update logbook set number = 1000 where number = 17");
        run("update logbook set number = 17 where number = 18");
        run("update logbook set number = 18 where number = 1000");

        assertThat(proof().isWhole()).isFalse();
    }

    @Test
    void anEntryThatIsHiddenFromItsVehicleIsFound() throws SQLException {
        run("delete from logbook_place where number = 17");

        assertThat(proof().breaks()).hasSize(1).first().satisfies(one -> assertThat(one.number())
                .isEqualTo(17));
    }

    /** Whoever follows the book remembers how far it went. */
    @Test
    void anEndThatWasCutOffIsFoundWhereSomebodyHasReadIt() throws SQLException {
        run("insert into logbook_cursor values ('live', " + ENTRIES + ")");
        run("delete from logbook where number > 30");

        assertThat(proof().breaks()).hasSize(1).first().satisfies(one -> assertThat(one.what())
                .contains("up to " + ENTRIES));
    }

    /** Whoever can write the database can empty the cursors too; the fleet stands beside it. */
    @Test
    void aBookThatWasEmptiedBesideALivingFleetIsNotWhole() throws SQLException {
        run("delete from logbook");
        run("delete from logbook_place");
        run("delete from logbook_cursor");
        assertThat(proof().isWhole()).as("nothing was ever done").isTrue();

        run("create table vehicle (id bigint)");
        run("insert into vehicle values (1)");

        assertThat(proof().breaks()).hasSize(1).first().satisfies(one -> assertThat(one.what())
                .contains("no entry"));
    }

    @Test
    void anEndThatWasCutOffTogetherWithTheCursorsIsFoundByWhatWasDoneAfterIt() throws SQLException {
        run("create table wheel_move (made_at timestamp(6) with time zone)");
        run("insert into wheel_move values (timestamp with time zone '" + now + "')");
        assertThat(proof().isWhole()).isTrue();

        run("update wheel_move set made_at = dateadd(hour, 2, made_at)");

        assertThat(proof().breaks()).hasSize(1).first().satisfies(one -> assertThat(one.what())
                .contains("end of the book is missing"));
    }

    /** What the chain by itself cannot show, a hash that was kept elsewhere does. */
    @Test
    void aBookThatWasWrittenAnewIsNotTheOneWhoseHashWasKept() throws SQLException {
        String kept = LogbookProof.hashOf(connection, 20).orElseThrow();
        run("delete from logbook where number > 10");
        run("delete from logbook_place where number > 10");
        write(30);

        assertThat(proof().isWhole()).isTrue();
        assertThat(LogbookProof.hashOf(connection, 20)).isPresent().get().isNotEqualTo(kept);
    }

    /** Somebody set the clock back; the book does not go back with it. */
    @Test
    void timesNeverFallAlongTheBook() throws SQLException {
        now = now.minus(Duration.ofDays(3));

        write(3);

        assertThat(proof().isWhole()).isTrue();
    }
}
