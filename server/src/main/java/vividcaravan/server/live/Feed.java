package vividcaravan.server.live;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What is new, once for all who read: of each thing only the newest, in the order in which it became new. A reader keeps
 * nothing but the number up to which it was told. Safe for several threads.
 *
 * @param <K> what a thing is known by
 * @param <V> what is told of it
 */
final class Feed<K, V> {

    /** Something new, with its number. */
    record News<V>(long number, V value) {}

    private final int most;
    private final Map<K, Long> numbers = new HashMap<>();
    private final TreeMap<Long, Map.Entry<K, V>> news = new TreeMap<>();
    private long forgottenUpTo;

    /**
     * @param most how many things are remembered
     */
    Feed(int most) {
        this.most = most;
    }

    /** Takes in what is new of {@code key}. */
    synchronized void put(long number, K key, V value) {
        Long before = numbers.put(key, number);
        if (before != null) {
            news.remove(before);
        }
        news.put(number, Map.entry(key, value));
        while (news.size() > most) {
            Map.Entry<Long, Map.Entry<K, V>> oldest = news.pollFirstEntry();
            numbers.remove(oldest.getValue().getKey());
            forgottenUpTo = oldest.getKey();
        }
    }

    /** Whether nothing was forgotten that is newer than {@code number}. */
    synchronized boolean reachesBackTo(long number) {
        return number >= forgottenUpTo;
    }

    /** Takes {@code number} as that of what came before everything that will be put. */
    synchronized void beginAfter(long number) {
        forgottenUpTo = number;
    }

    /** What is newer than {@code number}, the oldest first, {@code limit} at most. */
    synchronized List<News<V>> after(long number, int limit) {
        List<News<V>> found = new ArrayList<>();
        for (Map.Entry<Long, Map.Entry<K, V>> entry :
                news.tailMap(number, false).entrySet()) {
            if (found.size() == limit) {
                break;
            }
            found.add(new News<>(entry.getKey(), entry.getValue().getValue()));
        }
        return found;
    }

    /** Number of the newest there is; 0 if there never was any. */
    synchronized long latest() {
        return news.isEmpty() ? forgottenUpTo : news.lastKey();
    }
}
