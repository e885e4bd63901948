package vividcaravan.server.writer;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;

/** The single writer's own connection, so that it never waits behind those who only read. */
@Component
class WriterConnections implements DisposableBean {

    private static final long PATIENCE_MILLIS = 3_000;
    private static final int TRIES = 5;

    private final JdbcConnectionDetails database;
    private final long patienceMillis;
    private HikariDataSource pool;

    @Autowired
    WriterConnections(JdbcConnectionDetails database) {
        this(database, PATIENCE_MILLIS);
    }

    WriterConnections(JdbcConnectionDetails database, long patienceMillis) {
        this.database = database;
        this.patienceMillis = patienceMillis;
    }

    /**
     * A connection to the database, to be closed after use. Having waited for long is no sign that the database is gone:
     * the whole machine may have been away. Only a connection that failed is.
     *
     * @throws SQLException if the database is out of reach
     */
    synchronized Connection take() throws SQLException {
        if (pool == null) {
            HikariConfig config = new HikariConfig();
            config.setPoolName("writer");
            config.setJdbcUrl(database.getJdbcUrl());
            config.setUsername(database.getUsername());
            config.setPassword(database.getPassword());
            config.setMaximumPoolSize(2);
            config.setConnectionTimeout(patienceMillis);
            pool = new HikariDataSource(config);
        }
        for (int left = TRIES - 1; ; left--) {
            try {
                return pool.getConnection();
            } catch (SQLTransientConnectionException e) {
                boolean onlyWaited = e.getCause() == null;
                if (!onlyWaited || left == 0) {
                    throw e;
                }
            }
        }
    }

    /** Lets go of every connection: H2 closes a database whose disk is full, and only new ones open it again. */
    synchronized void renew() {
        if (pool != null) {
            pool.close();
            pool = null;
        }
    }

    @Override
    public void destroy() {
        renew();
    }
}
