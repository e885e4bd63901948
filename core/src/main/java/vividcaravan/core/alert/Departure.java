package vividcaravan.core.alert;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividcaravan.core.axles.Position;
import vividcaravan.core.words.Catalogue;
import vividcaravan.core.words.Language;

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
        NO_SENSOR,
        SILENT,
        FAULT,
        NEVER_HEARD
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
     * A wheel on the road whose tyre has less tread than it must have, mm.
     *
     * @param leastMm the least that is allowed there
     */
    public record Worn(Position position, double treadMm, double leastMm) {}

    /**
     * That its past is still to be judged again: until then no verdict is milder than before.
     *
     * @param wasHeld whether it was not to leave before
     */
    public record Owed(boolean wasHeld) {}

    /**
     * What is known of a vehicle in service.
     *
     * @param open its open alerts
     * @param unwatched wheels on the road without a sensor, silent or faulty
     * @param outages wheels and axles that are out of service
     * @param loose wheels that were off and whose nuts are due to be retorqued
     * @param heardBefore how long ago each watched wheel on the road was heard, or the vehicle moved later than that, milliseconds
     * @param gauged wheels at which somebody held a hand gauge today: that takes the place of what their sensors should tell
     * @param isWalkedRound whether somebody walked round it today, by name, and it has not moved since: that takes the place of
     *     what a walk sees, and of no pressure
     * @param worn wheels on the road whose tread was read below the least
     * @param owed what is known of its past that is still to be judged again; null where nothing is
     */
    public record Facts(
            List<Alert> open,
            List<Unwatched> unwatched,
            List<Outage> outages,
            List<Loose> loose,
            List<Heard> heardBefore,
            Set<Position> gauged,
            boolean isWalkedRound,
            List<Worn> worn,
            Owed owed) {

        /** Of a vehicle that nobody walked round, with tread enough. */
        public Facts(
                List<Alert> open,
                List<Unwatched> unwatched,
                List<Outage> outages,
                List<Loose> loose,
                List<Heard> heardBefore,
                Set<Position> gauged) {
            this(open, unwatched, outages, loose, heardBefore, gauged, false, List.of(), null);
        }

        public Facts {
            open = List.copyOf(open);
            unwatched = List.copyOf(unwatched);
            outages = List.copyOf(outages);
            loose = List.copyOf(loose);
            heardBefore = List.copyOf(heardBefore);
            gauged = Set.copyOf(gauged);
            worn = List.copyOf(worn);
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

    /** The answer for a vehicle with another coupled behind it, which leaves with it. */
    public Departure pulling(String ref, Departure behind) {
        List<String> all = new ArrayList<>(reasons);
        behind.reasons.forEach(reason -> all.add(ref + ": " + reason));
        Long oldest = restsOnAgeS == null || behind.restsOnAgeS == null
                ? null
                : Long.valueOf(Math.max(restsOnAgeS, behind.restsOnAgeS));
        return new Departure(verdict.compareTo(behind.verdict) >= 0 ? verdict : behind.verdict, all, oldest);
    }

    /** Judges the departure of a vehicle in service, in English. */
    public static Departure of(Facts facts) {
        return of(facts, Language.EN);
    }

    /** Judges the departure of a vehicle in service. */
    public static Departure of(Facts facts, Language language) {
        return new DepartureCheck(facts, Catalogue.of(Departure.class, language)).departure();
    }

    /**
     * What holds a vehicle, alert by alert.
     *
     * @param whole the verdict on it with all that leaves with it
     * @param byAlert what each open alert by itself comes to, by identity; those that hold nothing are left out
     */
    public record Holds(Verdict whole, Map<Long, Verdict> byAlert) {
        public Holds {
            byAlert = Map.copyOf(byAlert);
        }

        /** What {@code alert} comes to; {@link Verdict#MAY_LEAVE} where it holds nothing. */
        public Verdict of(Alert alert) {
            return byAlert.getOrDefault(alert.id(), Verdict.MAY_LEAVE);
        }
    }

    /** What each open alert comes to by itself. */
    public static Map<Long, Verdict> byAlert(Facts facts) {
        return new DepartureCheck(facts, Catalogue.of(Departure.class, Language.EN)).byAlert();
    }

    /** Of a vehicle that was taken out of service, with the reason that was given, if one was. */
    public static Departure outOfService(Optional<String> reason, Language language) {
        Catalogue words = Catalogue.of(Departure.class, language);
        return new Departure(
                Verdict.NOT_YET,
                List.of(words.text("leave.out", reason.orElseGet(() -> words.text("leave.out.noReason")))));
    }

    /** Of a vehicle whose sensors are not proven to sit where they are believed to. */
    public static Departure unproven(Language language) {
        return new Departure(
                Verdict.LOOK_FIRST,
                List.of(Catalogue.of(Departure.class, language).text("leave.unverified")));
    }

    /** The answer for a vehicle that is out of service and moved all the same, with what speaks against it in service. */
    public Departure movedWhileOut(Departure inService, Language language) {
        List<String> all = new ArrayList<>(reasons);
        all.add(Catalogue.of(Departure.class, language).text("leave.movedWhileOut"));
        all.addAll(inService.reasons);
        return new Departure(verdict, all, inService.restsOnAgeS);
    }

    /** The verdict in words. */
    public String words(Language language) {
        return Catalogue.of(Departure.class, language).text("leave." + verdict);
    }
}
