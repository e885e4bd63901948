package vividcaravan.server.writer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Answers.RETURNS_DEEP_STUBS;
import static org.mockito.Mockito.mock;

import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import org.hibernate.SessionFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import vividcaravan.server.Patience;
import vividcaravan.server.h2.DatabaseFile;
import vividcaravan.server.logbook.LogbookTables;
import vividcaravan.server.platform.Refusal;

/**
 * What was answered is there after the power went, also where the disk kept only some of what it had not been told to hold
 * on to. A killed process cannot show that: what it wrote lives on in the machine's memory.
 */
class PowerLossTest {

    private static final int LOSSES = 150;
    private static final int LEAST_LOSSES = 15;
    private static final int CLIENTS = 6;
    private static final long SEED = 29L;
    /** Long enough that the file's room is used again and again, as in a product that runs for days. */
    private static final int WRITES = 2_000;

    private static final String ROOM_USED_AGAIN_SOON = "RETENTION_TIME=300";

    private final AtomicInteger next = new AtomicInteger();

    @TempDir
    Path folder;

    @Test
    void whatWasAnsweredIsThereAfterThePowerWent() throws Exception {
        DiskThatForgets.register();
        write(DatabaseFile.url(DiskThatForgets.SCHEME + folder.resolve("live"))
                .replaceFirst("RETENTION_TIME=\\d+", ROOM_USED_AGAIN_SOON));
        int moments = 0;
        for (DiskThatForgets.Past counted = DiskThatForgets.past(); counted.goOn(answer -> {}); ) {
            moments++;
        }
        Random random = new Random(SEED);
        Set<Integer> answered = new TreeSet<>();
        int losses = 0;
        DiskThatForgets.Past past = DiskThatForgets.past();
        while (past.goOn(answer -> answered.add(answer.id()))) {
            if (!answered.isEmpty() && random.nextInt(moments) < LOSSES) {
                Files.write(folder.resolve("left.mv.db"), past.left(random));
                Set<Integer> missing = new TreeSet<>(answered);
                missing.removeAll(there("left"));
                assertThat(missing).as("missing after loss %d", losses).isEmpty();
                losses++;
            }
        }
        assertThat(answered).as("or nothing was tested").hasSizeGreaterThan(LOSSES * CLIENTS);
        // A slow machine writes larger groups, and the disk is told to hold on less often: then each time is one of
        // loss.
        assertThat(losses).as("or nothing was tested").isGreaterThan(Math.min(LOSSES, moments) / 3);
        assertThat(losses).as("or nothing was tested").isGreaterThan(LEAST_LOSSES);
    }

    private void write(String url) throws Exception {
        WriterConnections connections = new WriterConnections(details(url));
        try (Connection connection = connections.take();
                Statement statement = connection.createStatement()) {
            statement.execute("create table entry (id int unique, words varchar(4000))");
            LogbookTables.make(connection);
            statement.execute("checkpoint sync");
        }
        try (SessionFactory sessions = LogbookTables.sessions(url)) {
            SingleWriter writer = BareWriter.of(
                    sessions,
                    connections,
                    mock(HikariDataSource.class, RETURNS_DEEP_STUBS),
                    mock(WriterState.class),
                    trouble -> {});
            writer.start();
            List<Thread> clients = new ArrayList<>();
            for (int i = 0; i < CLIENTS; i++) {
                Thread client = new Thread(() -> writeUntilTheEnd(writer));
                client.start();
                clients.add(client);
            }
            Patience.until("enough was written", () -> next.get() > WRITES);
            clients.forEach(Thread::interrupt);
            for (Thread client : clients) {
                client.join();
            }
            writer.stop();
        }
        connections.destroy();
    }

    private void writeUntilTheEnd(SingleWriter writer) {
        try {
            while (!Thread.currentThread().isInterrupted()) {
                int id = next.incrementAndGet();
                String words = Integer.toString(id).repeat(20);
                DiskThatForgets.note(new DiskThatForgets.Answered(writer.take(storing(id, words))));
            }
        } catch (Refusal e) {
            // It is over.
        }
    }

    private static Write<Integer> storing(int id, String words) {
        return new Write<>() {
            @Override
            public Integer make(Pen pen) {
                pen.session()
                        .createNativeMutationQuery("insert into entry (id, words) values (" + id + ", '" + words + "')")
                        .executeUpdate();
                return id;
            }

            @Override
            public boolean isGroupable() {
                return true;
            }
        };
    }

    private Set<Integer> there(String name) throws Exception {
        Set<Integer> there = new TreeSet<>();
        try (Connection connection =
                        DriverManager.getConnection("jdbc:h2:file:" + folder.resolve(name) + ";IFEXISTS=TRUE");
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("select id from entry")) {
            while (rows.next()) {
                there.add(rows.getInt(1));
            }
        }
        return there;
    }

    private static JdbcConnectionDetails details(String url) {
        return new JdbcConnectionDetails() {
            @Override
            public String getJdbcUrl() {
                return url;
            }

            @Override
            public String getUsername() {
                return "";
            }

            @Override
            public String getPassword() {
                return "";
            }
        };
    }
}
