package vividcaravan.server.writer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.awaitility.Awaitility.await;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import vividcaravan.server.h2.H2Storage;

class WriterConnectionsTest {

    private static final long PATIENCE_MILLIS = 300;

    private static WriterConnections to(String url) {
        return new WriterConnections(
                new JdbcConnectionDetails() {
                    @Override
                    public String getJdbcUrl() {
                        return url;
                    }

                    @Override
                    public String getUsername() {
                        return "sa";
                    }

                    @Override
                    public String getPassword() {
                        return "";
                    }
                },
                PATIENCE_MILLIS);
    }

    @Test
    void waitingForLongIsNoTrouble() throws Exception {
        WriterConnections connections = to("jdbc:h2:mem:waiting;DB_CLOSE_DELAY=-1");
        Connection one = connections.take();
        Connection other = connections.take();

        CompletableFuture<Boolean> third = CompletableFuture.supplyAsync(() -> {
            try (Connection taken = connections.take()) {
                return taken.isValid(1);
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            }
        });
        await("it goes on waiting")
                .during(Duration.ofMillis(2 * PATIENCE_MILLIS))
                .until(() -> !third.isDone());
        one.close();

        assertThat(third.get(10, TimeUnit.SECONDS)).isTrue();
        other.close();
        connections.destroy();
    }

    @Test
    void aDatabaseThatCannotBeOpenedIsTroubleAtOnce() {
        WriterConnections connections = to("jdbc:h2:mem:nowhere;IFEXISTS=TRUE");

        assertThatThrownBy(connections::take)
                .satisfies(thrown -> assertThat(new H2Storage(Path.of(".")).isOutOfReach(thrown))
                        .isTrue());
        connections.destroy();
    }

    @Test
    void waitingForEverIsTroubleInTheEnd() throws Exception {
        WriterConnections connections = to("jdbc:h2:mem:ever;DB_CLOSE_DELAY=-1");
        Connection one = connections.take();
        Connection other = connections.take();

        assertThatThrownBy(connections::take).isInstanceOf(SQLTransientConnectionException.class);
        one.close();
        other.close();
        connections.destroy();
    }
}
