package vividcaravan.core.alert;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import vividcaravan.core.axles.Position;

/**
 * Whether a vehicle may leave the yard, as far as its tyres tell, and why not. Nobody leaves on hope or on old data.
 *
 * @param verdict the answer
 * @param reasons in plain words, the most serious first
 * @param restsOnAgeS age of the oldest value of a watched wheel that the answer rests on, seconds; null where one of them was
 *     never heard, or it rests on none
 */
public record Departure(Verdict verdict, List<String> reasons, Long restsOnAgeS) {

    /** What was heard longer ago says nothing of the tyre now, milliseconds. */
    public static final long OLD_MILLIS = Duration.ofDays(1).toMillis();

    /** The answer. */
    public enum Verdict {
        /** Nothing speaks against it. */
        MAY_LEAVE,
        /** Something is not known: check it by hand, with a gauge. */
        LOOK_FIRST,
        /** Something has to be put right before. */
        NOT_YET
    }

    /** Why nothing is known of a wheel. */
    public enum Blind {
        NO_SENSOR("has no sensor"),
        SILENT("is silent"),
        FAULT("its sensor cannot measure"),
        NEVER_HEARD("was never heard");

        private final String words;

        Blind(String words) {
            this.words = words;
        }

        /** The reason in words, after the wheel's code. */
        public String words() {
            return words;
        }
    }

    /** A wheel on the road of which nothing is known, and why. */
    public record Unwatched(Position position, Blind why) {}

    /**
     * A wheel whose nuts are to be retorqued.
     *
     * @param isOverdue whether the days or the distance for it are exceeded by half again
     */
    public record Loose(Position position, boolean isOverdue) {}

    /**
     * What is known of a vehicle in service.
     *
     * @param open its open alerts
     * @param unwatched wheels on the road without a sensor, silent or faulty
     * @param outages wheels and axles that are out of service
     * @param loose wheels that were off and whose nuts are due to be retorqued
     * @param heardBefore how long ago each watched wheel on the road was heard, or the vehicle moved later than that, milliseconds
     * @param gauged wheels at which somebody held a hand gauge today: that takes the place of what their sensors should tell
     */
    public record Facts(
            List<Alert> open,
            List<Unwatched> unwatched,
            List<Outage> outages,
            List<Loose> loose,
            List<Heard> heardBefore,
            Set<Position> gauged) {

        public Facts {
            open = List.copyOf(open);
            unwatched = List.copyOf(unwatched);
            outages = List.copyOf(outages);
            loose = List.copyOf(loose);
            heardBefore = List.copyOf(heardBefore);
            gauged = Set.copyOf(gauged);
        }
    }

    /**
     * When a watched wheel was heard last.
     *
     * @param ageMillis how long ago
     * @param hasMovedSince whether the vehicle moved after that
     */
    public record Heard(Position position, long ageMillis, boolean hasMovedSince) {

        boolean isOld() {
            return ageMillis > OLD_MILLIS || hasMovedSince;
        }
    }

    public Departure {
        reasons = List.copyOf(reasons);
    }

    /** An answer that rests on no value. */
    public Departure(Verdict verdict, List<String> reasons) {
        this(verdict, reasons, null);
    }

    /** Of a vehicle that was taken out of service, with the reason that was given, if one was. */
    public static Departure outOfService(Optional<String> reason) {
        return new Departure(Verdict.NOT_YET, List.of("out of service: " + reason.orElse("no reason given")));
    }

    /** Of a vehicle whose sensors are not proven to sit where they are believed to. */
    public static Departure unproven() {
        return new Departure(Verdict.LOOK_FIRST, List.of("sensor positions not verified"));
    }

    /** The answer for a vehicle with another coupled behind it, which leaves with it. */
    public Departure pulling(String ref, Departure behind) {
        List<String> all = new ArrayList<>(reasons);
        behind.reasons.forEach(reason -> all.add(ref + ": " + reason));
        Long oldest = restsOnAgeS == null || behind.restsOnAgeS == null
                ? null
                : Long.valueOf(Math.max(restsOnAgeS, behind.restsOnAgeS));
        return new Departure(verdict.compareTo(behind.verdict) >= 0 ? verdict : behind.verdict, all, oldest);
    }

    /** Judges the departure of a vehicle in service. */
    public static Departure of(Facts facts) {
        List<Reason> reasons = new ArrayList<>();
        facts.open.stream().sorted(Comparator.comparing(Alert::urgency)).forEach(alert -> reason(alert, facts)
                .ifPresent(reasons::add));
        addNuts(facts.loose, true, reasons);
        addNuts(facts.loose, false, reasons);
        facts.outages.forEach(outage -> reasons.add(new Reason(Verdict.LOOK_FIRST, outage.words())));
        for (Unwatched wheel : facts.unwatched) {
            if (isToBeSaid(wheel.position, facts)) {
                reasons.add(new Reason(Verdict.LOOK_FIRST, wheel.position.code() + " " + wheel.why.words()));
            }
        }
        addOld(facts, reasons);
        reasons.sort(Comparator.comparing(Reason::verdict).reversed());
        Verdict verdict = reasons.stream()
                .map(Reason::verdict)
                .max(Comparator.naturalOrder())
                .orElse(Verdict.MAY_LEAVE);
        return new Departure(verdict, reasons.stream().map(Reason::words).toList(), oldestS(facts));
    }

    private record Reason(Verdict verdict, String words) {}

    private static boolean isToBeSaid(Position position, Facts facts) {
        return !facts.gauged.contains(position) && facts.outages.stream().noneMatch(outage -> outage.covers(position));
    }

    /** What an open alert says of leaving; empty where it says nothing. */
    private static Optional<Reason> reason(Alert alert, Facts facts) {
        Position position = alert.position();
        if (position != null && position.isSpare()) {
            // A spare never holds a vehicle.
            return Optional.empty();
        }
        String aside = alert.state() == AlertState.SHELVED ? ", deferred" : "";
        if (alert.isRunSoft()) {
            return Optional.of(new Reason(Verdict.NOT_YET, words(alert)));
        }
        boolean isOfItsSensor = alert.kind() == AlertKind.SENSOR_BATTERY
                || alert.kind() == AlertKind.SENSOR_FAULT
                || alert.kind() == AlertKind.RECEIVER_SILENT
                || alert.kind() == AlertKind.SENSOR_SILENT && !isUrgent(alert);
        boolean isGauged = position != null && facts.gauged.contains(position);
        if (isOfItsSensor) {
            return isGauged || !alert.isActive()
                    ? Optional.empty()
                    : Optional.of(new Reason(Verdict.LOOK_FIRST, words(alert) + aside));
        }
        if (alert.urgency() == Urgency.PLAN) {
            return Optional.empty();
        }
        if (facts.outages.stream().anyMatch(outage -> outage.hasHeldBack(alert))) {
            // The outage itself is named.
            return Optional.empty();
        }
        if (alert.isActive()) {
            return Optional.of(new Reason(Verdict.NOT_YET, words(alert) + aside));
        }
        return waiting(alert, isGauged);
    }

    /** What is back in band and not proven: topping up is no repair, and a repair is not proven by itself. */
    private static Optional<Reason> waiting(Alert alert, boolean isGauged) {
        if (alert.wasLeak()) {
            return Optional.of(
                    alert.isRepairedByName()
                            ? new Reason(Verdict.LOOK_FIRST, words(alert) + ", repaired and not proven yet")
                            : new Reason(Verdict.NOT_YET, words(alert) + ", back in band but not proven repaired"));
        }
        return isGauged
                ? Optional.empty()
                : Optional.of(new Reason(Verdict.LOOK_FIRST, words(alert) + ", back in band, waits for its proof"));
    }

    private static boolean isUrgent(Alert alert) {
        return alert.urgency() == Urgency.STOP_NOW || alert.urgency() == Urgency.NEXT_STOP;
    }

    private static void addNuts(List<Loose> loose, boolean isOverdue, List<Reason> reasons) {
        String wheels = loose.stream()
                .filter(one -> one.isOverdue == isOverdue)
                .map(one -> one.position.code())
                .sorted()
                .collect(Collectors.joining(", "));
        if (!wheels.isEmpty()) {
            reasons.add(new Reason(
                    isOverdue ? Verdict.NOT_YET : Verdict.LOOK_FIRST,
                    (isOverdue ? "wheel nuts overdue, retorque: " : "retorque wheel nuts: ") + wheels));
        }
    }

    private static void addOld(Facts facts, List<Reason> reasons) {
        List<Heard> old = facts.heardBefore.stream()
                .filter(Heard::isOld)
                .filter(one -> isToBeSaid(one.position, facts))
                .toList();
        old.stream().max(Comparator.comparingLong(Heard::ageMillis)).ifPresent(oldest -> {
            String wheels = old.size() == facts.heardBefore.size()
                    ? "all wheels"
                    : old.stream().map(one -> one.position.code()).sorted().collect(Collectors.joining(", "));
            reasons.add(new Reason(
                    Verdict.LOOK_FIRST,
                    "no value since "
                            + (old.stream().allMatch(one -> one.ageMillis <= OLD_MILLIS)
                                    ? "it moved"
                                    : age(oldest.ageMillis) + " ago")
                            + ": " + wheels));
        });
    }

    private static String age(long millis) {
        long hours = Duration.ofMillis(millis).toHours();
        return hours < 48 ? hours + " h" : hours / 24 + " days";
    }

    private static Long oldestS(Facts facts) {
        boolean isOneUnheard = facts.unwatched.stream().anyMatch(wheel -> wheel.why == Blind.NEVER_HEARD);
        return isOneUnheard
                ? null
                : facts.heardBefore.stream()
                        .map(one -> Math.max(0, one.ageMillis) / 1_000)
                        .max(Comparator.naturalOrder())
                        .orElse(null);
    }

    private static String words(Alert alert) {
        boolean isSoftTyre = alert.isRunSoft();
        String seen = alert.lastSeen().isEmpty() ? "" : ": " + alert.lastSeen();
        String what = isSoftTyre
                ? "run soft: inspection off the vehicle"
                : alert.kind().words() + seen;
        return alert.position() == null ? what : alert.position().code() + " " + what;
    }
}
