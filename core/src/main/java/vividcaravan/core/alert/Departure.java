package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividcaravan.core.axles.Position;

/**
 * Whether a vehicle may leave the yard, as far as its tyres tell, and why not.
 *
 * @param verdict the answer
 * @param reasons in plain words, the most urgent first
 */
public record Departure(Verdict verdict, List<String> reasons) {

    /** The answer. */
    public enum Verdict {
        /** Nothing speaks against it. */
        MAY_LEAVE,
        /** Some wheels are not watched: look at them and use a hand gauge. */
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

        /** The same in words, after the wheel's code. */
        public String words() {
            return words;
        }
    }

    /** A wheel on the road of which nothing is known, and why. */
    public record Unwatched(Position position, Blind why) {}

    /** Of a vehicle that was taken out of service, with the reason that was given, if one was. */
    public static Departure outOfService(Optional<String> reason) {
        return new Departure(Verdict.NOT_YET, List.of("out of service: " + reason.orElse("no reason given")));
    }

    /** Of a vehicle whose sensors are not proven to sit where they are believed to. */
    public static Departure unproven() {
        return new Departure(Verdict.LOOK_FIRST, List.of("its sensors are not proven yet"));
    }

    /** The same of a vehicle with another hooked behind it, which leaves with it. */
    public Departure pulling(String ref, Departure behind) {
        List<String> all = new ArrayList<>(reasons);
        behind.reasons.forEach(reason -> all.add(ref + ": " + reason));
        return new Departure(verdict.compareTo(behind.verdict) >= 0 ? verdict : behind.verdict, all);
    }

    public Departure {
        reasons = List.copyOf(reasons);
    }

    /** The same where nothing is out of service. */
    static Departure of(List<Alert> open, List<Unwatched> unwatched) {
        return of(open, unwatched, List.of(), List.of());
    }

    /**
     * Judges a departure. What was put aside with a reason does not hold a vehicle back, and is named.
     *
     * @param open the vehicle's open alerts
     * @param unwatched wheels on the road without a sensor, silent or faulty
     * @param outages wheels and axles that are out of service: somebody has to look whether the vehicle can go so
     * @param loose wheels that were off and whose nuts are due to be tightened again
     */
    public static Departure of(
            List<Alert> open, List<Unwatched> unwatched, List<Outage> outages, List<Position> loose) {
        List<Alert> against = open.stream()
                .filter(alert -> alert.isActive() || alert.isRunSoft())
                .filter(alert -> alert.urgency() != Urgency.PLAN)
                .filter(alert -> outages.stream().noneMatch(outage -> outage.hasHeldBack(alert)))
                .sorted(Comparator.comparing(Alert::urgency))
                .toList();
        List<String> reasons = new ArrayList<>();
        boolean isHeld = false;
        for (Alert alert : against) {
            boolean isAside = alert.state() == AlertState.SHELVED && !alert.isRunSoft();
            isHeld |= !isAside;
            reasons.add(words(alert) + (isAside ? ", put aside" : ""));
        }
        if (!loose.isEmpty()) {
            reasons.add("wheel nuts to be tightened again: "
                    + loose.stream().map(Position::code).collect(Collectors.joining(", ")));
        }
        outages.forEach(outage -> reasons.add(outage.words()));
        unwatched.stream()
                .filter(wheel -> outages.stream().noneMatch(outage -> outage.covers(wheel.position())))
                .forEach(wheel ->
                        reasons.add(wheel.position().code() + " " + wheel.why().words()));
        boolean isAllWatched = unwatched.isEmpty() && outages.isEmpty() && loose.isEmpty();
        Verdict verdict = isHeld ? Verdict.NOT_YET : isAllWatched ? Verdict.MAY_LEAVE : Verdict.LOOK_FIRST;
        return new Departure(verdict, reasons);
    }

    private static String words(Alert alert) {
        boolean isSoftTyre = alert.isRunSoft() && alert.kind().family() == AlertFamily.TYRE;
        String seen = alert.lastSeen().isEmpty() ? "" : ": " + alert.lastSeen();
        String what = isSoftTyre
                ? "run soft: inspection off the vehicle"
                : alert.kind().words() + seen;
        return alert.position() == null ? what : alert.position().code() + " " + what;
    }
}
