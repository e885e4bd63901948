package vividcaravan.server.platform;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;

/**
 * Numbers of alerts and of their changes. Everything else has its identity from a sequence of the database as it is inserted;
 * an alert has to have one earlier, when the judge raises it, and its changes are numbered without a gap for those who follow.
 */
@Component
public class Ids {

    private final Map<String, AtomicLong> last = new ConcurrentHashMap<>();

    /** Learns the highest value in use, from {@code column} of {@code table}. */
    public void load(StatelessSession session, String table, String column) {
        Long highest = session.createNativeQuery("select coalesce(max(" + column + "), 0) from " + table, Long.class)
                .getSingleResult();
        last.put(table + "." + column, new AtomicLong(highest));
    }

    /** The next identity for {@code table}. */
    public long next(String table) {
        return next(table, "id");
    }

    /** The next value for {@code column} of {@code table}. */
    public long next(String table, String column) {
        return last.get(table + "." + column).incrementAndGet();
    }
}
