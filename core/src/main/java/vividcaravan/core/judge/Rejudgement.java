package vividcaravan.core.judge;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;

/**
 * Judges wheels of one vehicle again after their past was corrected: a move recorded late, or a backlog of the sensor that sat there
 * before. The outcome is what would have been said had everything arrived in order; what people did to an alert that
 * stands either way is kept, and an alert that no longer has a cause is withdrawn.
 */
public final class Rejudgement {

    private final Set<Position> wheels;
    private final long from;
    private final VehicleJudge judge;
    private final AlertBook book;
    /** What stood before that time, as it was when this began. */
    private final Map<Long, Alert> before = new HashMap<>();

    private final List<Alert> opened = new ArrayList<>();
    private final Deque<Departure> departures = new ArrayDeque<>();

    /**
     * A tyre that left the wheel: what was open against it ended there.
     *
     * @param at epoch milliseconds
     * @param who who moved it
     * @param where where it went, in words
     */
    public record TyreLeft(long at, String who, String where) {}

    /**
     * What is known of a wheel.
     *
     * @param alerts every alert it ever had that readings led to, as it is now
     * @param departures the tyres that left it since, the earliest first
     */
    public record Past(List<Alert> alerts, List<TyreLeft> departures) {
        public Past {
            alerts = List.copyOf(alerts);
            departures = List.copyOf(departures);
        }
    }

    private record Departure(Position position, TyreLeft left) {}

    /**
     * Begins judging wheels again.
     *
     * @param from the time from which everything is judged again, epoch milliseconds; no alert reaches across it
     * @param past the wheels, with what is known of each
     */
    public Rejudgement(long from, VehicleRules rules, Map<Position, Past> past) {
        this.wheels = Set.copyOf(past.keySet());
        this.from = from;
        this.judge = new VehicleJudge(rules);
        long[] provisional = {0};
        this.book = new AlertBook(() -> --provisional[0]);
        past.values().stream()
                .flatMap(wheel -> wheel.alerts().stream())
                .filter(alert -> alert.openedAt() < from)
                .forEach(alert -> {
                    book.restore(alert);
                    before.put(alert.id(), alert);
                });
        List<Departure> all = new ArrayList<>();
        past.forEach((position, wheel) -> wheel.departures().forEach(left -> all.add(new Departure(position, left))));
        all.sort(Comparator.comparingLong(departure -> departure.left.at()));
        departures.addAll(all);
    }

    /** Judges the next reading, of these wheels or, for comparison, of another; they come in the order of their time. */
    public void judge(Fitting stay, MountKind mount, Reading reading) {
        letTyresLeave(reading.at());
        judge.judge(stay, mount, reading, finding -> {
            if (finding.position() != null && wheels.contains(finding.position())) {
                book.apply(finding).ifPresent(this::remember);
            }
        });
    }

    private void letTyresLeave(long upTo) {
        while (!departures.isEmpty() && departures.peek().left.at() <= upTo) {
            Departure departure = departures.remove();
            TyreLeft left = departure.left;
            for (Alert alert : List.copyOf(book.alerts())) {
                if (departure.position.equals(alert.position()) && alert.goesWithTyre()) {
                    Alert closed = alert.by(left.who(), left.at()).leftWithTyre(left.where());
                    book.replace(closed);
                    remember(closed);
                }
            }
        }
    }

    private void remember(Alert alert) {
        opened.removeIf(earlier -> earlier.id() == alert.id());
        opened.add(alert);
    }

    /** What was seen at the wheels, to be taken over by the vehicle's judge. */
    public VehicleJudge judge() {
        return judge;
    }

    /**
     * Whether something was done since this began to an alert that goes on from before: then it is to be begun anew.
     *
     * @param now every alert of the wheels that readings led to, as it is now
     */
    public boolean isOvertaken(Collection<Alert> now) {
        return now.stream()
                .filter(alert -> alert.openedAt() < from)
                .anyMatch(alert -> !alert.equals(before.get(alert.id())));
    }

    /**
     * The alerts that changed: those that stand with what people did to them, new ones, and withdrawn ones.
     *
     * @param now every alert of the wheels that readings led to, as it is now
     * @param ids identities for the new ones
     * @param at clock time of the correction, epoch milliseconds
     */
    public List<Alert> outcome(Collection<Alert> now, LongSupplier ids, long at) {
        letTyresLeave(Long.MAX_VALUE);
        List<Alert> outcome = new ArrayList<>();
        List<Alert> unmatched = new ArrayList<>(
                now.stream().filter(alert -> alert.openedAt() >= from).toList());
        for (Alert alert : opened) {
            if (alert.id() > 0) {
                outcome.add(alert);
                continue;
            }
            Optional<Alert> same = unmatched.stream()
                    .filter(f -> f.openedAt() == alert.openedAt()
                            && f.position().equals(alert.position())
                            && f.kind().family() == alert.kind().family())
                    .findFirst();
            same.ifPresent(unmatched::remove);
            outcome.add(same.map(f -> f.withEvidenceOf(alert)).orElseGet(() -> alert.withId(ids.getAsLong())));
        }
        for (Alert alert : unmatched) {
            if (alert.state() != AlertState.CLOSED) {
                outcome.add(alert.withdrawn("The record of which sensor sat where was corrected.", at));
            }
        }
        return outcome;
    }
}
