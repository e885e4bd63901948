package vividcaravan.core.alert;

import java.util.Locale;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/**
 * Figures as the reader writes them.
 *
 * @param pressure the unit pressures are said in
 * @param temperature the unit temperatures are said in
 */
record Figures(PressureUnit pressure, TemperatureUnit temperature) {

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

    static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    static String lower(String text) {
        return Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
