package vividcaravan.core.alert;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividcaravan.core.alert.Departure.Heard;
import vividcaravan.core.alert.Departure.Loose;
import vividcaravan.core.alert.Departure.Unwatched;
import vividcaravan.core.alert.Departure.Verdict;
import vividcaravan.core.axles.Position;
import vividcaravan.core.words.Catalogue;

/** What speaks against the departure of a vehicle in service, one reason after the other. */
final class DepartureCheck {

    private final Departure.Facts facts;
    private final Catalogue words;
    private final List<Reason> reasons = new ArrayList<>();

    DepartureCheck(Departure.Facts facts, Catalogue words) {
        this.facts = facts;
        this.words = words;
    }

    private record Reason(Verdict verdict, String words) {}

    Departure departure() {
        facts.open().stream().sorted(Comparator.comparing(Alert::urgency)).forEach(alert -> reason(alert)
                .ifPresent(reasons::add));
        addNuts(true);
        addNuts(false);
        addWorn();
        addOwed();
        facts.outages().forEach(outage -> reasons.add(new Reason(Verdict.LOOK_FIRST, words(outage))));
        facts.unwatched().stream()
                .filter(this::isToBeSaid)
                .forEach(wheel -> reasons.add(new Reason(
                        Verdict.LOOK_FIRST,
                        words.text("leave.wheel", wheel.position().code(), words.text("leave.blind." + wheel.why())))));
        addOld();
        reasons.sort(Comparator.comparing(Reason::verdict).reversed());
        Verdict verdict = reasons.stream()
                .map(Reason::verdict)
                .max(Comparator.naturalOrder())
                .orElse(Verdict.MAY_LEAVE);
        return new Departure(verdict, reasons.stream().map(Reason::words).toList(), oldestS());
    }

    Map<Long, Verdict> byAlert() {
        Map<Long, Verdict> held = new HashMap<>();
        facts.open().forEach(alert -> reason(alert).ifPresent(reason -> held.put(alert.id(), reason.verdict())));
        return held;
    }

    /** Nobody ever watched a wheel without a sensor but by walking round; what one stopped saying, a gauge has to say. */
    private boolean isToBeSaid(Unwatched wheel) {
        return isToBeSaid(wheel.position()) && !(facts.isWalkedRound() && wheel.why() == Departure.Blind.NO_SENSOR);
    }

    private boolean isToBeSaid(Position position) {
        return !facts.gauged().contains(position)
                && facts.outages().stream().noneMatch(outage -> outage.covers(position));
    }

    /** Whether a hand gauge of today says what the sensors of an alert do not; of the whole vehicle, one at each of its wheels. */
    private boolean isGauged(Alert alert) {
        return alert.position() != null
                ? facts.gauged().contains(alert.position())
                : !facts.gauged().isEmpty()
                        && Stream.concat(
                                        facts.heardBefore().stream().map(Heard::position),
                                        facts.unwatched().stream().map(Unwatched::position))
                                .allMatch(facts.gauged()::contains);
    }

    /** What an open alert says of leaving; empty where it says nothing. */
    private Optional<Reason> reason(Alert alert) {
        Position position = alert.position();
        if (position != null && position.isSpare()) {
            // A spare never holds a vehicle.
            return Optional.empty();
        }
        if (alert.isRunSoft()) {
            return Optional.of(new Reason(Verdict.NOT_YET, words(alert)));
        }
        boolean isOfItsSensor = alert.kind() == AlertKind.SENSOR_BATTERY
                || alert.kind() == AlertKind.SENSOR_FAULT
                || alert.kind() == AlertKind.RECEIVER_SILENT
                || alert.kind() == AlertKind.SENSOR_SILENT && !isUrgent(alert);
        if (isOfItsSensor) {
            boolean isChecked = isGauged(alert) || facts.isWalkedRound() && alert.kind() == AlertKind.SENSOR_BATTERY;
            return isChecked || !alert.isActive()
                    ? Optional.empty()
                    : Optional.of(new Reason(Verdict.LOOK_FIRST, wordsIfDeferred(alert)));
        }
        if (alert.urgency() == Urgency.PLAN) {
            return Optional.empty();
        }
        if (facts.outages().stream().anyMatch(outage -> outage.hasHeldBack(alert))) {
            // The outage itself is named.
            return Optional.empty();
        }
        return alert.isActive() ? Optional.of(new Reason(Verdict.NOT_YET, wordsIfDeferred(alert))) : waiting(alert);
    }

    /** What is back in band and not proven: topping up is no repair, and a repair is not proven by itself. */
    private Optional<Reason> waiting(Alert alert) {
        if (alert.wasLeak()) {
            return Optional.of(
                    alert.isRepairedByName()
                            ? new Reason(Verdict.LOOK_FIRST, words.text("leave.repaired", words(alert)))
                            : new Reason(Verdict.NOT_YET, words.text("leave.toppedUp", words(alert))));
        }
        return isGauged(alert)
                ? Optional.empty()
                : Optional.of(new Reason(Verdict.LOOK_FIRST, words.text("leave.backInBand", words(alert))));
    }

    private static boolean isUrgent(Alert alert) {
        return alert.urgency() == Urgency.STOP_NOW || alert.urgency() == Urgency.NEXT_STOP;
    }

    private void addNuts(boolean isOverdue) {
        String wheels = facts.loose().stream()
                .filter(one -> one.isOverdue() == isOverdue)
                .map(Loose::position)
                .map(Position::code)
                .sorted()
                .collect(Collectors.joining(", "));
        if (!wheels.isEmpty()) {
            reasons.add(new Reason(
                    isOverdue ? Verdict.NOT_YET : Verdict.LOOK_FIRST,
                    words.text(isOverdue ? "leave.nuts.overdue" : "leave.nuts", wheels)));
        }
    }

    /** What is out of service is named already, and is not on the road. */
    private void addWorn() {
        facts.worn().stream()
                .filter(one -> facts.outages().stream().noneMatch(outage -> outage.covers(one.position())))
                .sorted(Comparator.comparing(one -> one.position().code()))
                .forEach(one -> reasons.add(new Reason(
                        Verdict.NOT_YET,
                        words.text(
                                "leave.wheel",
                                one.position().code(),
                                words.text("leave.worn", one.treadMm(), one.leastMm())))));
    }

    private void addOwed() {
        if (facts.owed() != null) {
            reasons.add(new Reason(
                    facts.owed().wasHeld() ? Verdict.NOT_YET : Verdict.LOOK_FIRST, words.text("leave.owed")));
        }
    }

    private void addOld() {
        if (facts.isWalkedRound()) {
            return;
        }
        List<Heard> old = facts.heardBefore().stream()
                .filter(Heard::isOld)
                .filter(one -> isToBeSaid(one.position()))
                .toList();
        old.stream().max(Comparator.comparingLong(Heard::ageMillis)).ifPresent(oldest -> {
            String wheels = old.size() == facts.heardBefore().size()
                    ? words.text("leave.old.all")
                    : old.stream().map(one -> one.position().code()).sorted().collect(Collectors.joining(", "));
            boolean isByMoving = old.stream().allMatch(one -> one.ageMillis() <= Departure.OLD_MILLIS);
            reasons.add(new Reason(
                    Verdict.LOOK_FIRST,
                    isByMoving
                            ? words.text("leave.old.moved", wheels)
                            : words.text("leave.old", age(oldest.ageMillis()), wheels)));
        });
    }

    private String age(long millis) {
        long hours = Duration.ofMillis(millis).toHours();
        return hours < 48
                ? words.text("leave.hours", Long.toString(hours))
                : words.text("leave.days", Long.toString(hours / 24));
    }

    private Long oldestS() {
        boolean isOneUnheard = facts.unwatched().stream().anyMatch(wheel -> wheel.why() == Departure.Blind.NEVER_HEARD);
        return isOneUnheard
                ? null
                : facts.heardBefore().stream()
                        .map(one -> Math.max(0, one.ageMillis()) / 1_000)
                        .max(Comparator.naturalOrder())
                        .orElse(null);
    }

    private String words(Outage outage) {
        String place = outage.position() != null
                ? outage.position().code()
                : outage.axle() != null
                        ? words.text("leave.part.axle", outage.axle().toString())
                        : words.text("leave.part.vehicle");
        return words.text("leave.part", place, outage.reason());
    }

    private String wordsIfDeferred(Alert alert) {
        return alert.state() == AlertState.SHELVED ? words.text("leave.deferred", words(alert)) : words(alert);
    }

    private String words(Alert alert) {
        String kind = words.text("kind." + alert.kind());
        String what = alert.isRunSoft()
                ? words.text("leave.runSoft")
                : alert.lastSeen().isEmpty() ? kind : words.text("leave.seen", kind, alert.lastSeen());
        return alert.position() == null
                ? what
                : words.text("leave.wheel", alert.position().code(), what);
    }
}
