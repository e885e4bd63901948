package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FileTidyingTest {

    private static final int ROWS = 400;
    private static final int ROUNDS = 120;

    @TempDir
    Path folder;

    /** Rows of random bytes are written anew in every round, a few of them each time, as states and blocks are. */
    private long sizeAfterRewriting(String name, boolean isTidied) throws SQLException, IOException {
        Random random = new Random(11);
        byte[] payload = new byte[2_000];
        try (Connection connection = DriverManager.getConnection(
                "jdbc:h2:file:" + folder.resolve(name) + ";WRITE_DELAY=0;RETENTION_TIME=0")) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("create table kept (id int primary key, payload varbinary(4000))");
            }
            try (PreparedStatement merge =
                    connection.prepareStatement("merge into kept (id, payload) key (id) values (?, ?)")) {
                for (int round = 0; round < ROUNDS; round++) {
                    for (int id = round % 7; id < ROWS; id += 1 + random.nextInt(12)) {
                        random.nextBytes(payload);
                        merge.setInt(1, id);
                        merge.setBytes(2, payload);
                        merge.executeUpdate();
                    }
                    if (isTidied) {
                        FileTidying.tidy(connection);
                    }
                }
            }
            return Files.size(folder.resolve(name + ".mv.db"));
        }
    }

    @Test
    void keepsTheFileNearWhatIsInIt() throws SQLException, IOException {
        long left = sizeAfterRewriting("left", false);
        long tidied = sizeAfterRewriting("tidied", true);

        assertThat(tidied).isLessThan(left);
        assertThat(tidied).isLessThan(4L * ROWS * 2_000);
    }
}
