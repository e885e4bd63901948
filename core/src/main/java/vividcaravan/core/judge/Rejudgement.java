package vividcaravan.core.judge;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
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
 * Judges one wheel again after its past was corrected: a move recorded late, or a backlog of the sensor that sat there
 * before. The outcome is what would have been said had everything arrived in order; what people did to an alert that
 * stands either way is kept, and an alert that no longer has a cause is withdrawn.
 */
public final class Rejudgement {

    private final Position position;
    private final VehicleJudge judge;
    private final AlertBook book;
    private final List<Alert> former = new ArrayList<>();
    private final List<Alert> opened = new ArrayList<>();
    private final Deque<TyreLeft> departures;

    /**
     * A tyre that left the wheel: what was open against it ended there.
     *
     * @param at epoch milliseconds
     * @param who who moved it
     * @param where where it went, in words
     */
    public record TyreLeft(long at, String who, String where) {}

    /**
     * Begins judging a wheel again.
     *
     * @param position the wheel
     * @param from the time from which everything is judged again, epoch milliseconds; a stay's beginning
     * @param known every alert the wheel ever had, as it is now
     * @param departures the tyres that left the wheel since, the earliest first
     */
    public Rejudgement(Position position, long from, VehicleRules rules, List<Alert> known, List<TyreLeft> departures) {
        this.position = position;
        this.departures = new ArrayDeque<>(departures);
        this.judge = new VehicleJudge(rules);
        long[] provisional = {0};
        this.book = new AlertBook(() -> --provisional[0]);
        for (Alert alert : known) {
            if (alert.openedAt() < from) {
                book.restore(alert);
            } else {
                former.add(alert);
            }
        }
    }

    /** Judges the next reading, of this wheel or, for comparison, of another; they come in the order of their time. */
    public void judge(Fitting stay, MountKind mount, Reading reading) {
        letTyresLeave(reading.at());
        judge.judge(stay, mount, reading, finding -> {
            if (position.equals(finding.position())) {
                book.apply(finding).ifPresent(this::remember);
            }
        });
    }

    private void letTyresLeave(long upTo) {
        while (!departures.isEmpty() && departures.peek().at() <= upTo) {
            TyreLeft left = departures.remove();
            for (Alert alert : List.copyOf(book.alerts())) {
                if (alert.goesWithTyre()) {
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

    /** What was seen at the wheel, to be taken over by the vehicle's judge. */
    public VehicleJudge judge() {
        return judge;
    }

    /**
     * The alerts that changed: those that stand with what people did to them, new ones, and withdrawn ones.
     *
     * @param ids identities for the new ones
     * @param at clock time of the correction, epoch milliseconds
     */
    public List<Alert> outcome(LongSupplier ids, long at) {
        letTyresLeave(Long.MAX_VALUE);
        List<Alert> outcome = new ArrayList<>();
        List<Alert> unmatched = new ArrayList<>(former);
        for (Alert alert : opened) {
            if (alert.id() > 0) {
                outcome.add(alert);
                continue;
            }
            Optional<Alert> same = unmatched.stream()
                    .filter(f -> f.openedAt() == alert.openedAt()
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
