package vividcaravan.core.alert;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/**
 * Figures as the reader writes them.
 *
 * @param pressure the unit pressures are said in
 * @param temperature the unit temperatures are said in
 * @param clock the clock that times are told by
 */
record Figures(PressureUnit pressure, TemperatureUnit temperature, ZoneId clock) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_AND_TIME =
            DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);
    private static final double MILLIS_OF_DAY = 86_400_000;
    private static final double ERRORS = 2;

    private static final int MINUTES_TO_SAY = 120;
    private static final double TENTHS_UP_TO = 9.95;
    private static final double MINUTES_OF_HOUR = 60;

    /** A pressure or a difference of pressures given in kPa. */
    String kpa(double kpa) {
        return pressure.format(kpa);
    }

    /** A rate given in kPa an hour, never quite 0. */
    String kpaPerHour(double kpa) {
        return pressure.format(kpa) + " an hour";
    }

    /** A temperature given in °C. */
    String celsius(double celsius) {
        return temperature.format(celsius);
    }

    /** The temperature that pressures are brought to. */
    String reference() {
        return celsius(20);
    }

    /** A difference of temperatures given in °C. */
    String degrees(double celsius) {
        return Math.round(temperature.differenceFromCelsius(celsius)) + "\u00a0" + temperature.symbol();
    }

    /** A share without its sign: 0.1 is ten per cent. */
    static String percent(double share) {
        return Math.round(Math.abs(share) * 100) + "\u00a0%";
    }

    /** A time to wait: minutes up to two hours, then hours, with a tenth up to ten. */
    static String duration(double minutes) {
        if (minutes < MINUTES_TO_SAY) {
            return Math.round(minutes) + "\u00a0min";
        }
        double hours = minutes / MINUTES_OF_HOUR;
        return String.format(Locale.ROOT, hours < TENTHS_UP_TO ? "%.1f\u00a0h" : "%.0f\u00a0h", hours);
    }

    /** Such as {@code Thursday 3 December}. */
    String day(long at) {
        return DAY.format(Instant.ofEpochMilli(at).atZone(clock));
    }

    /** Such as {@code between 18:40 and 05:10}, with the days where that is not one night. */
    String between(long from, long to) {
        boolean isShort = to - from < MILLIS_OF_DAY;
        String begins = DAY_AND_TIME.format(Instant.ofEpochMilli(from).atZone(clock));
        String ends =
                (isShort ? TIME : DAY_AND_TIME).format(Instant.ofEpochMilli(to).atZone(clock));
        return "between " + begins + " and " + ends;
    }

    /** What a leak that shows over days lost, as a sentence without its end. */
    String lossOverDays(Evidence.OverDays days) {
        String error = days.errorKpaPerDay() == null ? "" : ", give or take " + kpa(ERRORS * days.errorKpaPerDay());
        return "Measured cold or as a daily mean, it loses " + kpa(days.kpaPerDay()) + " a day at " + reference()
                + error + ", since " + day(days.since());
    }

    /** Where a level stepped, as a sentence. */
    String step(Evidence.Step step) {
        return "Air was let " + (step.kpa() < 0 ? "out" : "in") + " or the tyre was set differently "
                + between(step.from(), step.to()) + ": " + kpa(Math.abs(step.kpa()))
                + (step.kpa() < 0 ? " less." : " more.");
    }

    /** Whole days, such as {@code 14 days}. */
    static String days(long millis) {
        long days = Math.max(1, Math.round(millis / MILLIS_OF_DAY));
        return days + (days == 1 ? " day" : " days");
    }

    /** A share without its sign, with a tenth. */
    static String tenths(double share) {
        return String.format(Locale.ROOT, "%.1f\u00a0%%", Math.abs(share) * 100);
    }

    static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
