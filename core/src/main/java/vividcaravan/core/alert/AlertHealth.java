package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Whether the alerts of some time were good for anything. The figures are those of IEC 62682 / ISA-18.2 [from memory].
 *
 * @param from first moment, epoch milliseconds
 * @param to the moment after the last
 * @param calls how often alerts called for attention: opened, back, or more urgent
 * @param perHour calls an hour
 * @param floodShare share of the time in flood, 0 to 1
 * @param chattering alerts that called {@value #CHATTERING} times within a minute
 * @param standing alerts that had been open for more than a day when the time ended
 * @param byUrgency alerts opened in the time, by the highest urgency that they reached
 * @param acknowledgedMillis middle time until somebody saw one, or null where nobody did
 * @param actedMillis middle time until somebody did something about one, or null
 * @param provenMillis middle time until readings or an inspection proved one settled, or null
 * @param closed how many were closed in the time, by what it stood on
 * @param verdicts how many of those somebody called right or not
 */
public record AlertHealth(
        long from,
        long to,
        int calls,
        double perHour,
        double floodShare,
        int chattering,
        int standing,
        Map<Urgency, Integer> byUrgency,
        Long acknowledgedMillis,
        Long actedMillis,
        Long provenMillis,
        Map<ClosedOn, Integer> closed,
        Map<Verdict, Integer> verdicts) {

    /** So many an hour are fine for somebody at the Desk; twice as many are the most that can be managed. */
    public static final double FINE_PER_HOUR = 6;

    public static final double MOST_PER_HOUR = 12;
    /** The largest share of time in flood that is well. */
    public static final double MOST_FLOOD = 0.01;
    /** The most that may stand longer than a day. */
    public static final int MOST_STANDING = 4;

    static final int CHATTERING = 3;
    private static final long MINUTE_MILLIS = 60_000;
    private static final long HOUR_MILLIS = 60 * MINUTE_MILLIS;
    private static final long STANDING_MILLIS = 24 * HOUR_MILLIS;

    public AlertHealth {
        byUrgency = Map.copyOf(byUrgency);
        closed = Map.copyOf(closed);
        verdicts = Map.copyOf(verdicts);
    }

    /**
     * The health of {@code alerts} between {@code from} and {@code to}.
     *
     * @param alerts every alert that was open then, with its record
     */
    public static AlertHealth of(List<Alert> alerts, long from, long to) {
        Predicate<Long> isWithin = at -> at != null && at >= from && at < to;
        List<Alert> opened =
                alerts.stream().filter(alert -> isWithin.test(alert.openedAt())).toList();
        List<Alert> ended = alerts.stream()
                .filter(alert -> alert.state() == AlertState.CLOSED && isWithin.test(alert.closedAt()))
                .toList();
        long[] calls = alerts.stream()
                .flatMap(alert -> calls(alert).stream())
                .mapToLong(Long::longValue)
                .toArray();
        int within = (int) Arrays.stream(calls).filter(at -> isWithin.test(at)).count();
        double hours = Math.max(1, to - from) / (double) HOUR_MILLIS;
        return new AlertHealth(
                from,
                to,
                within,
                within / hours,
                Flood.millis(calls, from, to) / (double) Math.max(1, to - from),
                (int) alerts.stream().filter(alert -> chatters(alert, from, to)).count(),
                (int) alerts.stream().filter(alert -> isStanding(alert, to)).count(),
                count(opened, AlertHealth::highest, Urgency.class),
                middle(opened, alert -> first(alert, AlertHealth::isSeen)),
                middle(opened, alert -> first(alert, AlertHealth::isAction)),
                middle(ended, AlertHealth::proven),
                count(ended, alert -> alert.closedOn().orElse(null), ClosedOn.class),
                count(ended, alert -> alert.handling().verdict(), Verdict.class));
    }

    /** When an alert called for attention. */
    static List<Long> calls(Alert alert) {
        List<Long> calls = new ArrayList<>();
        Urgency before = null;
        for (AlertEntry entry : alert.entries()) {
            boolean grew = before == null || entry.urgency().isMoreUrgentThan(before);
            if (entry.change().isStep() && (entry.change() != AlertEntry.Change.GREW || grew)) {
                calls.add(entry.at());
            }
            before = entry.urgency();
        }
        return calls;
    }

    private static boolean chatters(Alert alert, long from, long to) {
        List<Long> calls =
                calls(alert).stream().filter(at -> at >= from && at < to).toList();
        for (int i = 0; i + CHATTERING <= calls.size(); i++) {
            if (calls.get(i + CHATTERING - 1) - calls.get(i) < MINUTE_MILLIS) {
                return true;
            }
        }
        return false;
    }

    private static boolean isStanding(Alert alert, long at) {
        boolean isOpenThen = alert.state() != AlertState.CLOSED || alert.closedAt() != null && alert.closedAt() >= at;
        return isOpenThen && at - alert.openedAt() > STANDING_MILLIS;
    }

    private static Urgency highest(Alert alert) {
        return alert.entries().stream()
                .map(AlertEntry::urgency)
                .min(Urgency::compareTo)
                .orElse(alert.urgency());
    }

    private static boolean isSeen(AlertEntry entry) {
        return entry.who() != null
                && !entry.change().isAnswer()
                && !entry.change().isNews();
    }

    private static boolean isAction(AlertEntry entry) {
        return switch (entry.change()) {
            case TAKEN_IN_HAND, ASSIGNED, INSTRUCTED, SHELVED, CLOSED -> entry.who() != null;
            default -> false;
        };
    }

    private static Long first(Alert alert, Predicate<AlertEntry> which) {
        return alert.entries().stream()
                .filter(which)
                .map(entry -> Math.max(0, entry.at() - alert.openedAt()))
                .findFirst()
                .orElse(null);
    }

    private static Long proven(Alert alert) {
        boolean isProven = alert.closedOn()
                .filter(on -> on == ClosedOn.READINGS || on == ClosedOn.INSPECTION)
                .isPresent();
        return isProven ? (Long) (alert.closedAt() - alert.openedAt()) : null;
    }

    private static Long middle(List<Alert> alerts, Function<Alert, Long> millis) {
        List<Long> known =
                alerts.stream().map(millis).filter(one -> one != null).sorted().toList();
        return known.isEmpty() ? null : known.get((known.size() - 1) / 2);
    }

    private static <E extends Enum<E>> Map<E, Integer> count(
            List<Alert> alerts, Function<Alert, E> which, Class<E> kinds) {
        Map<E, Integer> counts = new EnumMap<>(kinds);
        alerts.stream().map(which).filter(one -> one != null).forEach(one -> counts.merge(one, 1, Integer::sum));
        return counts;
    }

    /**
     * What causes most of the calls, the worst first.
     *
     * @param most how many at most
     * @param who what a call is counted for
     */
    public static <K> List<Map.Entry<K, Integer>> worst(
            List<Alert> alerts, long from, long to, int most, Function<Alert, K> who) {
        Map<K, Integer> counts = new HashMap<>();
        for (Alert alert : alerts) {
            int calls = (int)
                    calls(alert).stream().filter(at -> at >= from && at < to).count();
            K key = calls == 0 ? null : who.apply(alert);
            if (key != null) {
                counts.merge(key, calls, Integer::sum);
            }
        }
        return counts.entrySet().stream()
                .sorted(Map.Entry.<K, Integer>comparingByValue().reversed())
                .limit(most)
                .toList();
    }
}
