package vividcaravan.server.h2;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.hibernate.StatelessSession;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Storage;
import vividcaravan.server.platform.VividProperties;

/** One file of H2 in the data folder. */
@Component
public final class H2Storage implements Storage {

    private static final String ENDING = ".mv.db";
    /** The database as it is named within its folder. */
    static final String NAME = "vivid-caravan";

    private static final Set<Integer> TABLE_MISSING = Set.of(
            ErrorCode.TABLE_OR_VIEW_NOT_FOUND_1,
            ErrorCode.TABLE_OR_VIEW_NOT_FOUND_DATABASE_EMPTY_1,
            ErrorCode.TABLE_OR_VIEW_NOT_FOUND_WITH_CANDIDATES_2);

    private final FileTidying file = new FileTidying(this);
    private final Path folder;

    @Autowired
    H2Storage(VividProperties properties) {
        this(properties.dataDir());
    }

    /**
     * @param folder where its file is
     */
    public H2Storage(Path folder) {
        this.folder = folder;
    }

    /** A commit is acknowledged before it is on disk. */
    @Override
    public void sync(Connection connection) throws SQLException {
        execute(connection, "CHECKPOINT SYNC");
    }

    @Override
    public String upsert(String table, String key, String... columns) {
        return merge(
                table,
                key,
                columns,
                Arrays.stream(columns).map(column -> ":" + column).toList());
    }

    @Override
    public String upsertInOrder(String table, String key, String... columns) {
        return merge(table, key, columns, Collections.nCopies(columns.length, "?"));
    }

    private static String merge(String table, String key, String[] columns, List<String> values) {
        return "merge into " + table + " (" + String.join(", ", columns) + ") key (" + key + ") values ("
                + String.join(", ", values) + ")";
    }

    @Override
    public List<String> tablesNamed(Connection connection, String beginning) throws SQLException {
        List<String> found = new ArrayList<>();
        try (PreparedStatement tables = connection.prepareStatement(
                "select table_name from information_schema.tables where table_name like ?")) {
            tables.setString(1, beginning.toUpperCase(Locale.ROOT).replace("_", "\\_") + "%");
            try (ResultSet names = tables.executeQuery()) {
                while (names.next()) {
                    found.add(names.getString(1).toLowerCase(Locale.ROOT));
                }
            }
        }
        return found;
    }

    @Override
    public void makeBlockTable(Connection connection, String name) throws SQLException {
        execute(
                connection,
                "create table if not exists " + name + " (id bigint primary key, payload varbinary(1048576) not null)");
    }

    @Override
    public void dropTable(Connection connection, String name) throws SQLException {
        execute(connection, "drop table " + name);
    }

    private static void execute(Connection connection, String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    @Override
    public void tidy(StatelessSession session) {
        file.tidy(session);
    }

    @Override
    public void settle(StatelessSession session) {
        file.note(session);
    }

    @Override
    public void backUp(StatelessSession session, Path to) {
        session.doWork(connection -> {
            try (PreparedStatement backup = connection.prepareStatement("backup to ?")) {
                backup.setString(1, to.toString());
                backup.execute();
            }
        });
    }

    @Override
    public long bytes() {
        try {
            return Files.size(folder.resolve(fileName()));
        } catch (IOException e) {
            return 0;
        }
    }

    @Override
    public String fileName() {
        return NAME + ENDING;
    }

    @Override
    public Connection openCopy(Path copy) throws SQLException {
        String path = copy.toAbsolutePath().toString();
        return DriverManager.getConnection(
                "jdbc:h2:file:" + path.substring(0, path.length() - ENDING.length()) + ";IFEXISTS=TRUE", "sa", "");
    }

    @Override
    public boolean isTableMissing(SQLException thrown) {
        return TABLE_MISSING.contains(thrown.getErrorCode());
    }

    @Override
    public boolean isOutOfReach(Throwable thrown) {
        return DatabaseTrouble.isBehind(thrown);
    }
}
