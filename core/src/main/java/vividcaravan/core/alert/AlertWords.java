package vividcaravan.core.alert;

import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/**
 * Says an alert in plain words, in the reader's units: what happens, what to do, why we think so.
 *
 * @param pressure the unit pressures are said in
 * @param temperature the unit temperatures are said in
 * @param clock the clock that times are told by
 */
public record AlertWords(PressureUnit pressure, TemperatureUnit temperature, ZoneId clock) {

    private static final String INSPECT = "have the wheel removed and the tyre inspected inside";
    /** A ban stands first, in a sentence of its own, never after a time. */
    private static final String NO_AIR = "Do not inflate this tyre on the vehicle. ";

    /** One filling is part of a leak's story; two and more are its sign. */
    private static final int FILLED_AGAIN = 2;

    private static final double RUN_SOFT_SHARE = 0.8;
    private static final double MILLIS_OF_MINUTE = 60_000;
    /** Further below its limit than a deadband a sensor is not the one that is hot, °C. */
    private static final double BACK_INSIDE_C = 10;

    /** Words in kPa and °C, for machines and for whoever has not chosen. */
    public static final AlertWords METRIC = new AlertWords(PressureUnit.KPA, TemperatureUnit.CELSIUS);

    /** Words of somebody whose clock nobody knows: UTC. */
    public AlertWords(PressureUnit pressure, TemperatureUnit temperature) {
        this(pressure, temperature, ZoneOffset.UTC);
    }

    /** The same by another clock. */
    public AlertWords by(ZoneId zone) {
        return new AlertWords(pressure, temperature, zone);
    }

    /** One sentence of what happens at the wheel of vehicle {@code ref}. */
    public String summary(Alert alert, String ref) {
        Evidence evidence = alert.evidence();
        String wheel = wheel(alert.position(), ref);
        return switch (alert.kind()) {
            case FAST_LEAK ->
                evidence.isFlat()
                        ? wheel + " is flat: it holds " + kpa(Math.max(0, evidence.gaugeKpa())) + "."
                        : evidence.fallKpa() == null
                                ? wheel + " loses air fast." + timeLeft(evidence)
                                : wheel + " lost " + kpa(evidence.fallKpa()) + " within ten minutes."
                                        + timeLeft(evidence);
            case SLOW_LEAK ->
                evidence.overDays() != null
                        ? wheel + overDays(evidence)
                        : evidence.lossKpaPerHour() == null
                                ? wheel + " is losing air."
                                : wheel + " loses " + kpa(evidence.lossKpaPerHour()) + " an hour." + timeLeft(evidence);
            case UNDER_PRESSURE ->
                isFilledAfterRunningSoft(alert)
                        ? wheel + " was run at 80 % of its target or less. It is at " + judged(evidence)
                                + " now, which does not show that it is sound."
                        : wheel + offTarget(evidence, "under");
            case OVER_PRESSURE ->
                alert.position() == null ? filledInTheCold(evidence, ref) : wheel + offTarget(evidence, "over");
            case HOT_TYRE -> wheel + heat(alert);
            case HOT_WHEEL_END ->
                wheel + " is "
                        + (hotter(evidence) == null ? "far" : hotter(evidence))
                        + " hotter than the vehicle's other wheels: brake or bearing.";
            case TWIN_MISMATCH ->
                mateKpaAt20(evidence) == null
                        ? wheel + " carries less than its twin."
                        : wheel + " has " + kpa(mateKpaAt20(evidence) - evidence.pressureAt20Kpa())
                                + " less than its twin.";
            case SENSOR_FAULT ->
                "The sensor at " + Figures.lower(wheel)
                        + (evidence.isRepeating()
                                ? " has shown " + kpa(evidence.pressureKpa()) + " and "
                                        + celsius(evidence.temperatureC()) + " for "
                                        + Figures.duration((evidence.at() - evidence.lastHeardAt()) / MILLIS_OF_MINUTE)
                                        + " while the others warmed and cooled."
                                : " reports that it cannot measure.");
            case SENSOR_SILENT -> "The sensor at " + Figures.lower(wheel) + " is silent while the others report.";
            case SENSOR_BATTERY ->
                "The battery of the sensor at " + Figures.lower(wheel) + " is weak"
                        + (evidence.batteryMv() == null
                                ? "."
                                : String.format(
                                        java.util.Locale.ROOT, ": %.2f\u00a0V.", evidence.batteryMv() / 1000.0));
            case SENSORS_CROSSED ->
                evidence.other() == null
                        ? "The sensor of " + Figures.lower(wheel) + " may not be fitted there."
                        : wheel + " and " + evidence.other().words() + " seem to have each other's sensors.";
            case WEATHER_LOW -> weather(evidence, ref);
            case RECEIVER_SILENT -> "Nothing has been heard of " + ref + " although it is known to move.";
            case REPORTED_FAULT -> seen(alert, alert.position() == null ? ref : Figures.lower(wheel));
        };
    }

    /** What to do first, beginning with the instruction. */
    public String advice(Alert alert) {
        boolean isParked = alert.evidence().isParked();
        String when =
                switch (alert.urgency()) {
                    case STOP_NOW -> isParked ? "Do not move the vehicle. " : "Stop at the first safe place. ";
                    case NEXT_STOP -> isParked ? "Before it leaves: " : "At the next safe stop: ";
                    case BEFORE_NEXT_TRIP -> "Before the next trip: ";
                    case PLAN -> "Plan it in: ";
                };
        String what =
                switch (alert.kind()) {
                    case FAST_LEAK ->
                        "keep clear of the tyre; it is going flat. Have the wheel removed and the tyre inspected inside.";
                    case SLOW_LEAK ->
                        alert.isRunSoft()
                                ? INSPECT + " and the leak found."
                                : "find the leak: nail, valve or bead. Topping up is no repair.";
                    case UNDER_PRESSURE ->
                        alert.isRunSoft()
                                ? INSPECT + "."
                                : "check it with a hand gauge and look for the cause. Set it to target once it is cold.";
                    case OVER_PRESSURE ->
                        alert.isRunSoft()
                                ? INSPECT + "."
                                : alert.position() == null
                                        ? letOut(alert.evidence())
                                        : "check it cold with a hand gauge and set it to target while it is cold.";
                    case HOT_TYRE, HOT_WHEEL_END ->
                        "keep clear of the wheel and let it cool. Have brake and bearing checked. Do not cool it with water."
                                + (alert.isRunSoft()
                                        ? " Then have the wheel removed and the tyre inspected inside."
                                        : "");
                    case TWIN_MISMATCH ->
                        alert.isRunSoft()
                                ? INSPECT + "."
                                : "set both of the pair to target once they are cold; the fuller one carries the load.";
                    case SENSOR_FAULT, SENSOR_SILENT ->
                        isSilentAfterTrouble(alert)
                                ? "look from a distance first: it fell silent after losing air or running hot; the tyre may"
                                        + " have burst or be on fire. Once it is safe and cool, check tyre and sensor."
                                : "check the tyre with a hand gauge, then the sensor. Until then this wheel is not"
                                        + " watched.";
                    case SENSOR_BATTERY -> "replace the battery or the sensor at the next visit to the yard.";
                    case SENSORS_CROSSED -> "check which sensor sits where before anyone adds air.";
                    case WEATHER_LOW -> weatherRound(alert.evidence());
                    case RECEIVER_SILENT -> "check the receiver's power and antenna.";
                    case REPORTED_FAULT ->
                        "have a trained person check it, and record what was found and done. No sensor sees it.";
                };
        boolean beginsSentence = when.endsWith(". ");
        return (alert.isRunSoft() ? NO_AIR : "") + when + (beginsSentence ? Figures.upper(what) : what);
    }

    /** Filling makes it look well: what the rubber went through does not show. */
    private static boolean isFilledAfterRunningSoft(Alert alert) {
        Double judged = alert.evidence().judgedKpa();
        Double target = alert.evidence().targetKpa();
        return alert.isRunSoft() && judged != null && target != null && judged > RUN_SOFT_SHARE * target + 1;
    }

    /** The judge says so by the urgency: silence by itself stops nobody. */
    private static boolean isSilentAfterTrouble(Alert alert) {
        return alert.kind() == AlertKind.SENSOR_SILENT && alert.urgency().isMoreUrgentThan(Urgency.BEFORE_NEXT_TRIP);
    }

    /**
     * What the wheels of the other vehicles of a combination show at the same time: weather and road are theirs too.
     *
     * @param vehicles what these vehicles are called, one at least
     * @param wheels how many wheels were heard
     * @param celsius what the middle one shows, °C
     * @param deviation how far the middle one is from its target at 20 °C, 0.1 is ten per cent above
     */
    public String alongside(List<String> vehicles, int wheels, double celsius, double deviation) {
        String from = Math.round(Math.abs(deviation) * 100) == 0
                ? "at its target"
                : Figures.percent(deviation) + (deviation < 0 ? " under" : " over") + " its target";
        return "It runs with " + listed(vehicles) + ": the median of its " + wheels + " wheels is " + celsius(celsius)
                + ", " + from + " at " + celsius(20.0) + ".";
    }

    /** That a vehicle whose receiver is silent hangs together with others that are heard and move. */
    public String pulledAlong(List<String> vehicles) {
        boolean isOne = vehicles.size() == 1;
        return "It is coupled, and " + listed(vehicles) + (isOne ? " is heard and moves" : " are heard and move")
                + ". If it was dropped off, uncouple it here; if still coupled, check its receiver or repeater.";
    }

    private static String listed(List<String> names) {
        int last = names.size() - 1;
        return last == 0 ? names.get(0) : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
    }

    /** Why we think so, a line for each piece of evidence. */
    public List<String> reasons(Alert alert) {
        Evidence evidence = alert.evidence();
        List<String> reasons = new ArrayList<>();
        if (evidence.pressureAt20Kpa() != null && evidence.gaugeKpa() != null) {
            reasons.add("The sensor reads " + kpa(evidence.gaugeKpa()) + " at " + celsius(evidence.temperatureC())
                    + "; corrected to " + celsius(20.0) + ": " + kpa(evidence.pressureAt20Kpa()) + ".");
        }
        if (evidence.lossKpaPerHour() != null) {
            double error = evidence.lossErrorKpaPerHour() == null ? 0 : 2 * evidence.lossErrorKpaPerHour();
            reasons.add("It loses " + kpa(evidence.lossKpaPerHour()) + " an hour, give or take " + kpa(error)
                    + "; cold weather would lower every tyre.");
        }
        if (evidence.overDays() != null) {
            reasons.add(
                    figures().lossOverDays(evidence.overDays()) + "; the others kept theirs, so it is not the season.");
        }
        if (evidence.step() != null && evidence.other() == null) {
            reasons.add(figures().step(evidence.step())
                    + (evidence.hasKeptItsLevel()
                            ? " It has kept that since; a leak would go on."
                            : " The next few hours will show if it continues."));
        }
        if (alert.kind() == AlertKind.TWIN_MISMATCH) {
            reasons.add("The fuller one of a pair carries the load of both.");
        }
        if (isLimitCrossed(alert)) {
            reasons.add((evidence.isCompensated() ? "Judged at " + celsius(20.0) : "Judged on the gauge") + ", "
                    + kpa(evidence.judgedKpa())
                    + (evidence.judgedKpa() < evidence.limitKpa() ? " is below" : " is above") + " the limit of "
                    + kpa(evidence.limitKpa()) + " (target "
                    + kpa(evidence.targetKpa()) + ").");
        }
        if (evidence.limitC() != null) {
            reasons.add("This axle's limit is " + celsius(evidence.limitC()) + ". Air in the tyre at " + celsius(82.0)
                    + " to " + celsius(93.0) + " is a danger sign.");
        }
        if (alert.isRunSoft()) {
            reasons.add(
                    "It was at 80 % of its target or less. That mark stays until the tyre is inspected or scrapped.");
        }
        return reasons;
    }

    /** The likely causes, the likeliest first. */
    public List<Cause> causes(Alert alert) {
        return new AlertCauses(figures()).of(alert);
    }

    /** The cautions that apply to {@code alert}. */
    public static List<SafetyNote> safetyNotes(Alert alert) {
        return switch (alert.kind()) {
            case HOT_TYRE, HOT_WHEEL_END ->
                alert.isRunSoft()
                        ? List.of(SafetyNote.HOT_WHEEL, SafetyNote.RUN_SOFT)
                        : List.of(SafetyNote.HOT_WHEEL, SafetyNote.NEVER_BLEED);
            case OVER_PRESSURE ->
                alert.isRunSoft()
                        ? List.of(SafetyNote.RUN_SOFT, SafetyNote.NEVER_BLEED)
                        : List.of(SafetyNote.NEVER_BLEED);
            case SENSOR_SILENT ->
                isSilentAfterTrouble(alert) ? List.of(SafetyNote.HOT_WHEEL, SafetyNote.RUN_SOFT) : List.of();
            case FAST_LEAK, SLOW_LEAK, UNDER_PRESSURE, TWIN_MISMATCH, WEATHER_LOW, REPORTED_FAULT ->
                List.of(alert.isRunSoft() ? SafetyNote.RUN_SOFT : SafetyNote.INFLATE);
            default -> List.of();
        };
    }

    /** Of a leak the limit is where it leads, until it is there. */
    private static boolean isLimitCrossed(Alert alert) {
        Double limit = alert.evidence().limitKpa();
        Double judged = alert.evidence().judgedKpa();
        return limit != null && judged != null && (alert.kind() != AlertKind.SLOW_LEAK || judged <= limit);
    }

    private String weatherRound(Evidence evidence) {
        String round = "one round with the air line, to the full target at the morning's temperature.";
        if (evidence.shortfalls().isEmpty()) {
            return round;
        }
        String add = figures(evidence);
        return (add.isEmpty() ? round : "add " + add + " while they are cold: " + round) + left(evidence);
    }

    private String filledInTheCold(Evidence evidence, String ref) {
        String what = "The tyres of " + ref + " were filled in the frost and hold too much for warmer mornings.";
        return evidence.gaugeKpa() == null || evidence.targetKpa() == null
                ? what
                : what + " The fullest is " + Figures.percent(evidence.gaugeKpa() / evidence.targetKpa() - 1)
                        + " over target on the gauge.";
    }

    private String letOut(Evidence evidence) {
        if (evidence.shortfalls().isEmpty()) {
            return "set them to target while they are cold.";
        }
        String out = figures(evidence);
        String before = evidence.limitC() == null
                ? "."
                : ", before mornings reach " + celsius(evidence.limitC()) + ". Never bleed a warm tyre.";
        return (out.isEmpty() ? "set the others to target while they are cold" : "while they are cold, let out " + out)
                + before
                + left(evidence);
    }

    private String figures(Evidence evidence) {
        return evidence.shortfalls().stream()
                .filter(lack -> lack.kpa() != 0)
                .map(lack ->
                        kpa(Math.abs(lack.kpa())) + " at " + lack.position().code())
                .collect(Collectors.joining(", "));
    }

    /** Where no figure of air is advised. */
    private static String left(Evidence evidence) {
        String left = evidence.shortfalls().stream()
                .filter(lack -> lack.kpa() == 0)
                .map(lack -> lack.position().code())
                .collect(Collectors.joining(", "));
        return left.isEmpty() ? "" : " Leave " + left + " until its own alert is dealt with.";
    }

    private static String seen(Alert alert, String place) {
        String what = alert.lastSeen();
        return what.isEmpty() ? "A fault was seen at " + place + "." : "Seen at " + place + ": " + what + ".";
    }

    private String weather(Evidence evidence, String ref) {
        String together = "Cold weather has lowered the tyres of " + ref + " together.";
        return evidence.gaugeKpa() == null || evidence.targetKpa() == null
                ? together
                : together + " The lowest is " + Figures.percent(evidence.gaugeKpa() / evidence.targetKpa() - 1)
                        + " under target on the gauge.";
    }

    private static Double mateKpaAt20(Evidence evidence) {
        return evidence.others() == null ? null : evidence.others().mateKpaAt20();
    }

    private String hotter(Evidence evidence) {
        Double others = evidence.others() == null ? null : evidence.others().celsius();
        return others == null || evidence.temperatureC() == null
                ? null
                : figures().degrees(evidence.temperatureC() - others);
    }

    private String timeLeft(Evidence evidence) {
        Integer minutes = evidence.minutesToCritical();
        if (minutes == null) {
            return "";
        }
        if (minutes == 0) {
            return " It is below its second limit.";
        }
        String about = " It reaches its second limit in about " + Figures.duration(minutes);
        if (evidence.lossKpaPerHour() == null || evidence.lossErrorKpaPerHour() == null) {
            return about + ".";
        }
        // A leak does not keep its rate: never surer than a tenth.
        double share = Math.max(0.1, 2 * evidence.lossErrorKpaPerHour() / evidence.lossKpaPerHour());
        String latest = share < 1 ? Figures.duration(minutes / (1 - share)) : "much later";
        return about + " (" + Figures.duration(minutes / (1 + share)) + " to " + latest + ") if it goes on like this.";
    }

    private String overDays(Evidence evidence) {
        Evidence.OverDays days = evidence.overDays();
        String rate = evidence.targetKpa() == null
                ? kpa(days.kpaPerDay())
                : Figures.tenths(days.kpaPerDay() / evidence.targetKpa()) + " (" + kpa(days.kpaPerDay()) + ")";
        String loses = days.fillings() >= FILLED_AGAIN
                ? " was filled " + days.fillings() + " times in " + Figures.days(evidence.at() - days.since())
                        + " and loses " + rate + " a day in between."
                : " loses " + rate + " a day.";
        return days.lowAt() <= evidence.at()
                ? loses + " It is below its first limit."
                : loses + " It reaches its first limit about " + figures().day(days.lowAt())
                        + " if it goes on like this.";
    }

    private String judged(Evidence evidence) {
        return evidence.isCompensated()
                ? kpa(evidence.pressureAt20Kpa()) + " at " + celsius(20.0)
                : kpa(evidence.gaugeKpa()) + " on the gauge";
    }

    private String offTarget(Evidence evidence, String side) {
        return evidence.judgedKpa() == null || evidence.targetKpa() == null
                ? " is " + side + " its target."
                : " is " + percentOff(evidence) + " " + side + " its target: " + judged(evidence) + " instead of "
                        + kpa(evidence.targetKpa()) + ".";
    }

    private String heat(Alert alert) {
        Double shown = alert.evidence().temperatureC();
        Double limit = alert.evidence().limitC();
        String which = alert.urgency() == Urgency.STOP_NOW ? "stop" : "warning";
        if (shown == null || limit == null) {
            return " is hot.";
        }
        // A cap sits in the wind.
        boolean isByPressure = alert.isActive() && shown < limit - BACK_INSIDE_C;
        return isByPressure
                ? " is hotter inside than the " + celsius(shown) + " at its cap: by its pressure the air is beyond its "
                        + which + " temperature of " + celsius(limit) + "."
                : " is at " + celsius(shown) + "; its " + which + " temperature is " + celsius(limit) + ".";
    }

    private static String percentOff(Evidence evidence) {
        return Figures.percent(evidence.judgedKpa() / evidence.targetKpa() - 1);
    }

    private static String wheel(Position position, String ref) {
        return position == null ? ref : Figures.upper(position.words()) + " of " + ref;
    }

    private Figures figures() {
        return new Figures(pressure, temperature, clock);
    }

    private String kpa(double kpa) {
        return figures().kpa(kpa);
    }

    private String celsius(double celsius) {
        return figures().celsius(celsius);
    }
}
