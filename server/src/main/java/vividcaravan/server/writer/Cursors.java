package vividcaravan.server.writer;

import java.util.HashMap;
import java.util.Map;
import java.util.Map.Entry;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Storage;

/**
 * How far each follower has come in the logbook. Where nothing came of what it was shown, its place goes to disk with the next
 * write that somebody else makes: being shown the same again would do no harm.
 */
@Component
class Cursors {

    private final Map<String, Long> places = new ConcurrentHashMap<>();
    private final Map<String, Long> unstored = new HashMap<>();
    private final Map<String, Long> underWay = new HashMap<>();
    private final Storage storage;

    Cursors(Storage storage) {
        this.storage = storage;
    }

    /** Learns what was stored; places that are not on disk yet stay as they are. */
    synchronized void load(StatelessSession session) {
        session.createNativeQuery("select name, number from logbook_cursor", Object[].class)
                .getResultList()
                .forEach(row -> places.putIfAbsent((String) row[0], ((Number) row[1]).longValue()));
    }

    /** The number of the last entry that {@code follower} was shown. */
    OptionalLong of(String follower) {
        Long place = places.get(follower);
        return place == null ? OptionalLong.empty() : OptionalLong.of(place);
    }

    /** It was shown everything up to {@code number}, and nothing came of it. */
    synchronized void moved(String follower, long number) {
        places.put(follower, number);
        unstored.put(follower, number);
    }

    /** It was shown everything up to {@code number}, and what came of it is stored together with that. */
    synchronized void passed(String follower, long number) {
        places.put(follower, number);
        unstored.remove(follower);
    }

    /** Within the transaction of what came of it; an earlier place that was to be stored is not, or it would be done again. */
    synchronized void store(StatelessSession session, String follower, long number) {
        unstored.remove(follower);
        write(session, follower, number);
    }

    private void write(StatelessSession session, String follower, long number) {
        session.createNativeMutationQuery(storage.upsert("logbook_cursor", "name", "name", "number"))
                .setParameter("name", follower)
                .setParameter("number", number)
                .executeUpdate();
    }

    /** Within a group's transaction. */
    synchronized void storeUnstored(StatelessSession session) {
        underWay.clear();
        underWay.putAll(unstored);
        for (Entry<String, Long> place : underWay.entrySet()) {
            write(session, place.getKey(), place.getValue());
        }
    }

    /** What was to be stored is on disk. */
    synchronized void onDurable() {
        underWay.forEach(unstored::remove);
        underWay.clear();
    }
}
