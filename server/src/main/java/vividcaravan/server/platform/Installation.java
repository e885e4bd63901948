package vividcaravan.server.platform;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.springframework.stereotype.Component;

/** What a data folder is for: the demo, or real work. The two never mix. */
@Component
public class Installation {

    private final Storage storage;
    private final Instant createdAt;
    private final String deviceKey;

    /**
     * @throws StartRefused if the demo is to be started in a folder with real data
     */
    Installation(SessionFactory sessions, Storage storage, Clock clock, VividProperties properties) {
        this.storage = storage;
        try (StatelessSession session = sessions.openStatelessSession()) {
            Object[] row = session.createNativeQuery(
                            "select is_demo, created_at, device_key from installation where id = 1", Object[].class)
                    .addScalar("is_demo", Boolean.class)
                    .addScalar("created_at", Instant.class)
                    .addScalar("device_key", String.class)
                    .uniqueResult();
            boolean isNew = row == null || properties.demo() && !(Boolean) row[0] && isEmpty(session);
            if (!isNew && properties.demo() && !(Boolean) row[0]) {
                throw new StartRefused(
                        "The folder " + properties.dataDir().toAbsolutePath()
                                + " holds real data, and the demo would mix with it.",
                        "Start without VIVID_DEMO, or give the demo a folder of its own with VIVID_DATA_DIR.");
            }
            boolean isDemo = isNew ? properties.demo() : (Boolean) row[0];
            createdAt = isNew ? Instant.ofEpochMilli(clock.millis()) : (Instant) row[1];
            deviceKey = row == null || row[2] == null ? newKey() : (String) row[2];
            if (isNew || row[2] == null) {
                store(session, isDemo);
            }
        }
    }

    private static String newKey() {
        byte[] key = new byte[32];
        new SecureRandom().nextBytes(key);
        return HexFormat.of().formatHex(key);
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
                        storage.upsert("installation", "id", "id", "is_demo", "created_at", "device_key"))
                .setParameter("id", 1)
                .setParameter("device_key", deviceKey)
                .setParameter("is_demo", isDemo)
                .setParameter("created_at", createdAt)
                .executeUpdate();
        transaction.commit();
    }

    /** When the folder was begun. */
    public Instant createdAt() {
        return createdAt;
    }

    /** What signs the cookies by which a browser is known again; hex digits, made once and kept. */
    public String deviceKey() {
        return deviceKey;
    }
}
