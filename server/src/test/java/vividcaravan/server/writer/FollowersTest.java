package vividcaravan.server.writer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.RETURNS_DEEP_STUBS;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import vividcaravan.server.Patience;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookReader;
import vividcaravan.server.logbook.LogbookTables;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.WriteFailed;

/** Writing with deeds and learning of them, on a real database in memory that outlives its writers. */
class FollowersTest {

    private static final AtomicInteger DATABASES = new AtomicInteger();

    private final String url = "jdbc:h2:mem:followers" + DATABASES.incrementAndGet() + ";DB_CLOSE_DELAY=-1";
    private SessionFactory sessions;
    private BareWriter.Parts product;
    private Followers followers;

    @BeforeEach
    void start() throws SQLException {
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            LogbookTables.make(connection);
            statement.execute("create table letter (about bigint)");
        }
        sessions = LogbookTables.sessions(url);
        startWriter();
    }

    private void startWriter() throws SQLException {
        WriterConnections connections = mock(WriterConnections.class);
        when(connections.take()).thenAnswer(call -> DriverManager.getConnection(url));
        product = BareWriter.parts(
                sessions,
                connections,
                mock(HikariDataSource.class, RETURNS_DEEP_STUBS),
                mock(WriterState.class),
                trouble -> {});
        product.writer().start();
    }

    private void follow(Follower... all) {
        followers = new Followers(
                List.of(all), product.book(), new LogbookReader(sessions), product.cursors(), product.writer());
        followers.start();
    }

    /** Everything that was only in memory is gone. */
    private void kill() throws SQLException {
        if (followers != null) {
            followers.stop();
        }
        product.writer().stop();
        startWriter();
    }

    @AfterEach
    void stop() throws SQLException {
        if (followers != null) {
            followers.stop();
        }
        product.writer().stop();
        sessions.close();
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute("shutdown");
        }
    }

    private static Deed deed(String words) {
        return Deed.of(DeedKind.INVITATION_MADE, new Thing(Thing.Kind.INVITATION, "1", "somebody"), words);
    }

    private void act(String words) {
        product.writer().make(view -> Decision.make(pen -> Done.by(deed(words))));
    }

    private List<Long> letters() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createNativeQuery("select about from letter order by about", Long.class)
                    .getResultList();
        }
    }

    private List<String> book() {
        return new LogbookReader(sessions)
                .after(0, 1_000).stream()
                        .map(entry -> entry.author().id() + " " + entry.deed().words())
                        .toList();
    }

    private static void await(BooleanSupplier condition) {
        Patience.until("the followers have caught up", condition);
    }

    /** Writes a letter about every deed it has not seen, but about letters. */
    private static class Writing implements Follower {
        @Override
        public String name() {
            return "mail";
        }

        @Override
        public Optional<Change<?>> follow(List<LogbookEntry> entries) {
            List<LogbookEntry> asked = entries.stream()
                    .filter(entry -> entry.deed().kind() == DeedKind.INVITATION_MADE)
                    .toList();
            Change<Void> change = view -> Decision.make(pen -> {
                asked.forEach(entry -> pen.session()
                        .createNativeMutationQuery("insert into letter values (" + entry.number() + ")")
                        .executeUpdate());
                return Done.by(Deed.of(
                        DeedKind.MAIL_WRITTEN, new Thing(Thing.Kind.MAIL, "1", "mail"), "wrote to " + asked.size()));
            });
            return asked.isEmpty() ? Optional.empty() : Optional.of(change);
        }
    }

    @Test
    void whatWasDoneIsFollowedOnce() {
        follow(new Writing());

        act("first");
        act("second");
        followers.catchUp();

        assertThat(letters()).hasSize(2);
        assertThat(book()).startsWith("schedule first").contains("schedule second");
    }

    @Test
    void aKillBetweenTheDeedAndWhatFollowsLosesNothing() throws SQLException {
        follow(new Writing());
        act("first");
        followers.catchUp();
        followers.stop();
        act("second");

        kill();
        follow(new Writing());
        followers.catchUp();

        assertThat(letters()).hasSize(2).doesNotHaveDuplicates();
    }

    @Test
    void aKillAfterWhatFollowedDoesNothingTwice() throws SQLException {
        for (int i = 0; i < 5; i++) {
            follow(new Writing());
            act("deed " + i);
            followers.catchUp();
            kill();
        }

        assertThat(letters()).hasSize(5).doesNotHaveDuplicates();
    }

    /** Where nothing came of what was shown, the same may be shown again, but never less. */
    @Test
    void whoOnlyLooksSeesEverythingAtLeastOnce() throws SQLException {
        List<String> seen = Collections.synchronizedList(new ArrayList<>());
        Follower looking = new Follower() {
            @Override
            public String name() {
                return "live";
            }

            @Override
            public Optional<Change<?>> follow(List<LogbookEntry> entries) {
                entries.forEach(entry -> seen.add(entry.deed().words()));
                return Optional.empty();
            }
        };
        follow(looking);
        act("first");
        followers.catchUp();
        kill();
        act("second");
        follow(looking);
        followers.catchUp();

        assertThat(seen).contains("first", "second");
    }

    @Test
    void whatCannotBeDoneIsTriedAgainAndKeepsNobodyElseWaiting() {
        AtomicInteger tries = new AtomicInteger();
        Follower stubborn = new Writing() {
            @Override
            public String name() {
                return "stubborn";
            }

            @Override
            public Optional<Change<?>> follow(List<LogbookEntry> entries) {
                if (tries.incrementAndGet() == 1) {
                    throw new IllegalStateException("of the test");
                }
                return super.follow(entries);
            }
        };
        follow(stubborn, new Writing());

        act("first");

        await(() -> letters().size() == 1);
        await(() -> letters().size() == 2);
        assertThat(tries).hasValueGreaterThanOrEqualTo(2);
    }

    @Test
    void whatIsNewToTheProductBeginsWithWhatComesFromNowOn() {
        act("before");

        follow(new Writing());
        act("after");
        followers.catchUp();

        assertThat(letters()).hasSize(1);
    }

    @Test
    void aChangeThatFailsLeavesNoDeedAndNoGap() {
        act("first");
        assertThatThrownBy(() -> product.writer()
                        .make(view -> Decision.make(pen -> {
                            pen.note(deed("a consequence"));
                            throw new IllegalStateException("of the test");
                        })))
                .isInstanceOf(WriteFailed.class);
        assertThatThrownBy(() -> product.writer().make(view -> {
                    throw Refusal.conflict("not like this");
                }))
                .isInstanceOf(Refusal.class);
        act("second");

        assertThat(book()).containsExactly("schedule first", "schedule second");
        assertThat(new LogbookReader(sessions).after(0, 10))
                .extracting(LogbookEntry::number)
                .containsExactly(1L, 2L);
    }

    @Test
    void aDeedStandsBeforeWhatCameOfIt() {
        product.writer()
                .make(view -> Decision.make(pen -> {
                    pen.note(deed("a consequence"));
                    return Done.by(deed("the deed"));
                }));

        assertThat(book()).containsExactly("schedule the deed", "schedule a consequence");
    }

    @Test
    void whatIsDecidedToChangeNothingLeavesNoDeed() {
        assertThat(product.writer().<String>make(view -> Decision.nothing("as it was")))
                .isEqualTo("as it was");

        assertThat(book()).isEmpty();
    }

    @Test
    void changesInTurnSeeWhatTheOnesBeforeHaveMade() {
        Change<Long> counting = view -> {
            long count =
                    view.select("select count(*) from LogbookRow", Long.class).getSingleResult();
            return Decision.make(pen -> {
                pen.session()
                        .createNativeMutationQuery(
                                "insert into letter values (" + letters().size() + ")")
                        .executeUpdate();
                return new Done<>(count, deed("counted"));
            });
        };

        product.writer().make(view -> Decision.inTurn(List.of(counting, counting, counting)));

        assertThat(book()).hasSize(3);
        assertThat(letters()).hasSize(3);
    }
}
