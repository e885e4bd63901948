package vividcaravan.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.SplittableRandom;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.json.JsonMapper;

/** What the ground gives on this machine just now: the same work with everything left out but the disk, or the JSON. */
final class Ground {

    private static final int BATCH = 500;
    private static final int BYTES_OF_READING = 14;

    private Ground() {}

    /** Readings a second into the database: a row for each batch, on disk before the next, nothing else. */
    static double diskReadingsPerSecond(int seconds) throws SQLException, IOException {
        Path folder = Files.createTempDirectory("vivid-ground");
        byte[] payload = new byte[BATCH * BYTES_OF_READING];
        long begun = System.nanoTime();
        long rows = 0;
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:h2:file:" + folder.resolve("ground") + ";WRITE_DELAY=0", "sa", "");
                Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            statement.execute("create table batch (id bigint primary key, payload varbinary(1048576) not null)");
            SplittableRandom random = new SplittableRandom(1);
            try (PreparedStatement insert = connection.prepareStatement("insert into batch values (?, ?)")) {
                while (System.nanoTime() - begun < seconds * 1e9) {
                    random.nextBytes(payload);
                    insert.setLong(1, rows++);
                    insert.setBytes(2, payload);
                    insert.executeUpdate();
                    connection.commit();
                    statement.execute("checkpoint sync");
                }
            }
        }
        double elapsed = (System.nanoTime() - begun) / 1e9;
        Files.deleteIfExists(folder.resolve("ground.mv.db"));
        Files.deleteIfExists(folder);
        return rows * BATCH / elapsed;
    }

    /** Readings a second through the JSON library's token loop and the JDK's time parser, on one core. */
    static double jsonReadingsPerSecond(int seconds) {
        JsonMapper mapper = JsonMapper.builder().build();
        byte[] body = new LoadFleet(20_000).body(0, BATCH, 1_795_000_000_000L, new SplittableRandom(1));
        long begun = System.nanoTime();
        long readings = 0;
        double sum = 0;
        while (System.nanoTime() - begun < seconds * 1e9) {
            try (JsonParser json = mapper.createParser(body)) {
                String name = "";
                for (JsonToken token = json.nextToken(); token != null; token = json.nextToken()) {
                    if (token == JsonToken.PROPERTY_NAME) {
                        name = json.currentName();
                    } else if (token == JsonToken.VALUE_STRING && name.equals("at")) {
                        sum += Instant.parse(json.getString()).toEpochMilli();
                    } else if (token == JsonToken.VALUE_NUMBER_INT) {
                        sum += json.getDoubleValue();
                    }
                }
            }
            readings += BATCH;
        }
        if (Double.isNaN(sum)) {
            throw new IllegalStateException("no sum");
        }
        return readings / ((System.nanoTime() - begun) / 1e9);
    }
}
