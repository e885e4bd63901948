package vividcaravan.server.history;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.stereotype.Component;

/** The one table of blocks becomes one for each week, and summaries of hours are kept beside them. */
@Component
class V002__Keep_readings_by_week extends BaseJavaMigration {

    private static final long HOURS_OF_DAY = 24;

    @Override
    public void migrate(Context context) throws SQLException {
        try (Statement statement = context.getConnection().createStatement()) {
            statement.execute("create table reading_day (id bigint primary key, payload varbinary(1048576) not null)");
            statement.execute("create table summary_state (id int primary key, written_before bigint)");
            statement.execute("insert into summary_state values (1, null)");
            moveBlocks(context.getConnection(), statement);
            statement.execute("drop table reading_block");
        }
    }

    private static void moveBlocks(Connection connection, Statement statement) throws SQLException {
        long first;
        long last;
        try (ResultSet range = statement.executeQuery("select min(id), max(id) from reading_block")) {
            range.next();
            first = BlockStore.hourOfKey(range.getLong(1));
            last = BlockStore.hourOfKey(range.getLong(2));
            if (range.wasNull()) {
                return;
            }
        }
        for (long week = WeekTables.week(first); week <= WeekTables.week(last); week++) {
            long from = week * WeekTables.HOURS << 32;
            long to = (week + 1) * WeekTables.HOURS << 32;
            statement.execute("create table " + WeekTables.name(week)
                    + " (id bigint primary key, payload varbinary(1048576) not null)");
            statement.execute("insert into " + WeekTables.name(week)
                    + " select id, payload from reading_block where id >= " + from + " and id < " + to);
        }
        // Each day from the first reading on has still to be summed up.
        statement.execute("update summary_state set written_before = " + Math.floorDiv(first, HOURS_OF_DAY));
        connection.commit();
    }
}
