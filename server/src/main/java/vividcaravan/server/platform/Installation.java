package vividcaravan.server.platform;

import java.time.Clock;
import java.time.Instant;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.springframework.stereotype.Component;

/** What a data folder is for: the demo, or real work. The two never mix. */
@Component
public class Installation {

    private final Instant createdAt;

    /**
     * @throws StartRefused if the demo is to be started in a folder with real data
     */
    Installation(SessionFactory sessions, Clock clock, VividProperties properties) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            Object[] row = session.createNativeQuery(
                            "select is_demo, created_at from installation where id = 1", Object[].class)
                    .addScalar("is_demo", Boolean.class)
                    .addScalar("created_at", Instant.class)
                    .uniqueResult();
            if (row == null || properties.demo() && !(Boolean) row[0] && isEmpty(session)) {
                createdAt = Instant.ofEpochMilli(clock.millis());
                store(session, properties.demo());
                return;
            }
            if (properties.demo() && !(Boolean) row[0]) {
                throw new StartRefused(
                        "The folder " + properties.dataDir().toAbsolutePath()
                                + " holds real data, and the demo would mix with it.",
                        "Start without VIVID_DEMO, or give the demo a folder of its own with VIVID_DATA_DIR.");
            }
            createdAt = (Instant) row[1];
        }
    }

    private static boolean isEmpty(StatelessSession session) {
        return session.createNativeQuery(
                                "select (select count(*) from vehicle) + (select count(*) from account)", Long.class)
                        .getSingleResult()
                == 0;
    }

    private void store(StatelessSession session, boolean isDemo) {
        Transaction transaction = session.beginTransaction();
        session.createNativeMutationQuery(
                        "merge into installation (id, is_demo, created_at) key (id) values (1, :demo, :at)")
                .setParameter("demo", isDemo)
                .setParameter("at", createdAt)
                .executeUpdate();
        transaction.commit();
    }

    /** When the folder was begun. */
    public Instant createdAt() {
        return createdAt;
    }
}
