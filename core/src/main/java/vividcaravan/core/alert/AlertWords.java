package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/**
 * Says an alert in plain words, in the reader's units: what happens, what to do, why we think so.
 *
 * @param pressure the unit pressures are said in
 * @param temperature the unit temperatures are said in
 */
public record AlertWords(PressureUnit pressure, TemperatureUnit temperature) {

    /** Words in kPa and °C, for machines and for whoever has not chosen. */
    public static final AlertWords METRIC = new AlertWords(PressureUnit.KPA, TemperatureUnit.CELSIUS);

    /** One sentence of what happens at the wheel of vehicle {@code ref}. */
    public String summary(Alert alert, String ref) {
        Evidence evidence = alert.evidence();
        String wheel = wheel(alert.position(), ref);
        return switch (alert.kind()) {
            case FAST_LEAK -> wheel + " lost " + kpa(evidence.fallKpa()) + " within ten minutes." + timeLeft(evidence);
            case SLOW_LEAK ->
                evidence.lossKpaPerHour() == null
                        ? wheel + " is losing air."
                        : wheel + " loses " + kpa(evidence.lossKpaPerHour()) + " an hour." + timeLeft(evidence);
            case UNDER_PRESSURE ->
                wheel + " is " + percentOff(evidence) + " under its target: " + judged(evidence) + " instead of "
                        + kpa(evidence.targetKpa()) + ".";
            case OVER_PRESSURE ->
                wheel + " is " + percentOff(evidence) + " over its target: " + judged(evidence) + " instead of "
                        + kpa(evidence.targetKpa()) + ".";
            case HOT_TYRE ->
                wheel + " is at " + celsius(evidence.temperatureC()) + "; its "
                        + (alert.urgency() == Urgency.STOP_NOW ? "stop" : "warning") + " temperature is "
                        + celsius(evidence.limitC()) + ".";
            case HOT_WHEEL_END ->
                wheel + " is "
                        + (hotter(evidence) == null ? "far" : hotter(evidence))
                        + " hotter than the vehicle's other wheels: brake or bearing.";
            case TWIN_MISMATCH ->
                evidence.mateKpaAt20() == null
                        ? wheel + " carries less than its twin."
                        : wheel + " has " + kpa(evidence.mateKpaAt20() - evidence.pressureAt20Kpa())
                                + " less than its twin.";
            case SENSOR_FAULT -> "The sensor at " + lower(wheel) + " reports that it cannot measure.";
            case SENSOR_SILENT -> "The sensor at " + lower(wheel) + " is silent while the others report.";
            case SENSOR_BATTERY ->
                "The battery of the sensor at " + lower(wheel) + " is weak"
                        + (evidence.batteryMv() == null
                                ? "."
                                : String.format(
                                        java.util.Locale.ROOT, ": %.2f\u00a0V.", evidence.batteryMv() / 1000.0));
            case SENSORS_CROSSED -> wheel + " and another wheel seem to have each other's sensors.";
            case WEATHER_LOW -> "Cold weather has lowered every tyre of " + ref + "; nothing leaks.";
            case RECEIVER_SILENT -> "Nothing has been heard of " + ref + " although it is known to move.";
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
                    case FAST_LEAK -> "keep clear of the tyre; it is going flat. Have it taken off and looked at.";
                    case SLOW_LEAK -> "find the leak: nail, valve or bead. Topping up is no repair.";
                    case UNDER_PRESSURE ->
                        alert.isRunSoft()
                                ? "do not add air on the vehicle. Have the tyre taken off and looked at inside."
                                : "check it with a hand gauge, look for the cause, then set it to target.";
                    case OVER_PRESSURE -> "check it cold with a hand gauge and set it to target.";
                    case HOT_TYRE, HOT_WHEEL_END ->
                        "keep clear of the wheel and let it cool. Have brake and bearing looked at. No water.";
                    case TWIN_MISMATCH -> "set both of the pair to target; the fuller one carries the load.";
                    case SENSOR_FAULT, SENSOR_SILENT ->
                        "check the tyre with a hand gauge, then the sensor. Until then this wheel is not watched.";
                    case SENSOR_BATTERY -> "replace the battery or the sensor at the next visit to the yard.";
                    case SENSORS_CROSSED -> "check which sensor sits where before anyone adds air.";
                    case WEATHER_LOW -> "one round with the air line, to the full target at the morning's temperature.";
                    case RECEIVER_SILENT -> "check the receiver's power and antenna.";
                };
        boolean beginsSentence = when.endsWith(". ");
        return when + (beginsSentence ? upper(what) : what);
    }

    /** Why we think so, a line for each piece of evidence. */
    public List<String> reasons(Alert alert) {
        Evidence evidence = alert.evidence();
        List<String> reasons = new ArrayList<>();
        if (evidence.pressureAt20Kpa() != null) {
            reasons.add("Its gauge shows " + kpa(evidence.pressureKpa()) + " at " + celsius(evidence.temperatureC())
                    + "; brought to " + celsius(20.0) + " that is " + kpa(evidence.pressureAt20Kpa()) + ".");
        }
        if (evidence.lossKpaPerHour() != null) {
            double error = evidence.lossErrorKpaPerHour() == null ? 0 : 2 * evidence.lossErrorKpaPerHour();
            reasons.add("At " + celsius(20.0) + " it falls " + kpa(evidence.lossKpaPerHour())
                    + " an hour (give or take " + kpa(error)
                    + ") while the vehicle's other wheels stay together; weather would lower them all.");
        }
        if (evidence.siblingsC() != null && alert.kind() == AlertKind.HOT_WHEEL_END) {
            reasons.add("It is at " + celsius(evidence.temperatureC()) + ", the middle one of the others at "
                    + celsius(evidence.siblingsC()) + ". A sensor outside shows about a third of the heat.");
        }
        if (evidence.mateKpaAt20() != null && alert.kind() == AlertKind.TWIN_MISMATCH) {
            reasons.add("Its twin has " + kpa(evidence.mateKpaAt20()) + ", it has " + kpa(evidence.pressureAt20Kpa())
                    + ". The fuller one carries the load of both.");
        }
        if (isLimitCrossed(alert.kind()) && evidence.limitKpa() != null && evidence.judgedKpa() != null) {
            reasons.add((evidence.isCompensated() ? "Judged at " + celsius(20.0) : "Judged on the gauge") + ", "
                    + kpa(evidence.judgedKpa()) + " is beyond the limit of " + kpa(evidence.limitKpa()) + " (target "
                    + kpa(evidence.targetKpa()) + ").");
        }
        if (evidence.limitC() != null) {
            reasons.add("This axle's limit is " + celsius(evidence.limitC()) + ". Air in the tyre at " + celsius(82.0)
                    + " to " + celsius(93.0) + " is a danger sign.");
        }
        if (evidence.fallKpa() != null) {
            reasons.add("It fell " + kpa(evidence.fallKpa()) + " at " + celsius(20.0)
                    + " within ten minutes; weather or cooling cannot do that.");
        }
        if (alert.isRunSoft()) {
            reasons.add(
                    "It was at 80 % of its target or less. That mark stays until the tyre is inspected or scrapped.");
        }
        return reasons;
    }

    /** The cautions that apply to {@code alert}. */
    public static List<SafetyNote> safetyNotes(Alert alert) {
        return switch (alert.kind()) {
            case HOT_TYRE, HOT_WHEEL_END ->
                alert.isRunSoft()
                        ? List.of(SafetyNote.HOT_WHEEL, SafetyNote.RUN_SOFT)
                        : List.of(SafetyNote.HOT_WHEEL, SafetyNote.NEVER_BLEED);
            case OVER_PRESSURE -> List.of(SafetyNote.NEVER_BLEED);
            case FAST_LEAK, SLOW_LEAK, UNDER_PRESSURE, TWIN_MISMATCH, WEATHER_LOW ->
                List.of(alert.isRunSoft() ? SafetyNote.RUN_SOFT : SafetyNote.INFLATE);
            default -> List.of();
        };
    }

    /** Of a leak the limit is where it leads, not what it has crossed. */
    private static boolean isLimitCrossed(AlertKind kind) {
        return kind != AlertKind.SLOW_LEAK;
    }

    private String hotter(Evidence evidence) {
        if (evidence.siblingsC() == null || evidence.temperatureC() == null) {
            return null;
        }
        double degrees = temperature.differenceFromCelsius(evidence.temperatureC() - evidence.siblingsC());
        return Math.round(degrees) + "\u00a0" + temperature.symbol();
    }

    private String timeLeft(Evidence evidence) {
        Integer minutes = evidence.minutesToCritical();
        if (minutes == null) {
            return "";
        }
        if (minutes == 0) {
            return " It is below its second limit.";
        }
        String about = " It reaches its second limit in about " + duration(minutes);
        if (evidence.lossKpaPerHour() == null || evidence.lossErrorKpaPerHour() == null) {
            return about + ".";
        }
        // A leak does not keep its rate: never surer than a tenth.
        double share = Math.max(0.1, 2 * evidence.lossErrorKpaPerHour() / evidence.lossKpaPerHour());
        String latest = share < 1 ? duration(minutes / (1 - share)) : "much later";
        return about + " (" + duration(minutes / (1 + share)) + " to " + latest + ") if it goes on like this.";
    }

    private static String duration(double minutes) {
        return minutes < 120 ? Math.round(minutes) + "\u00a0min" : Math.round(minutes / 60) + "\u00a0h";
    }

    private String judged(Evidence evidence) {
        return evidence.isCompensated()
                ? kpa(evidence.pressureAt20Kpa()) + " at " + celsius(20.0)
                : kpa(evidence.pressureKpa()) + " on the gauge";
    }

    private static String percentOff(Evidence evidence) {
        double deviation = evidence.judgedKpa() / evidence.targetKpa() - 1;
        return Math.round(Math.abs(deviation) * 100) + "\u00a0%";
    }

    private static String wheel(Position position, String ref) {
        return position == null ? ref : upper(position.words()) + " of " + ref;
    }

    private String kpa(double kpa) {
        return pressure.format(kpa);
    }

    private String celsius(double celsius) {
        return temperature.format(celsius);
    }

    private static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
