package vividcaravan.server.platform;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;

/** The single writer's own connection, so that it never waits behind those who only read. */
@Component
class WriterConnections implements DisposableBean {

    private final JdbcConnectionDetails database;
    private HikariDataSource pool;

    WriterConnections(JdbcConnectionDetails database) {
        this.database = database;
    }

    /**
     * A connection to the database, to be closed after use.
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
            config.setConnectionTimeout(3_000);
            pool = new HikariDataSource(config);
        }
        return pool.getConnection();
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
