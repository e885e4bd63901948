package vividcaravan.core.fitting;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.IsoFields;
import java.util.regex.Pattern;

/**
 * The week and year in which a tyre was made: the last four digits of its identification, week and year [49 CFR 574.5].
 * Three digits were used before 2000. Weeks are taken as ISO 8601 counts them; week 53 exists only in years that have one.
 *
 * @param week 1 to 53
 * @param year four digits
 */
public record TyreDateCode(int week, int year) {

    private static final Pattern FOUR = Pattern.compile("\\d{4}");
    private static final Pattern THREE = Pattern.compile("\\d{3}");

    /**
     * @throws IllegalArgumentException if the year has no such week
     */
    public TyreDateCode {
        if (!(week >= 1 && week <= weeksOf(year))) {
            throw new IllegalArgumentException(
                    "week " + week + " does not exist in " + year + ", which has weeks 1 to " + weeksOf(year));
        }
    }

    private static int weeksOf(int year) {
        return (int) IsoFields.WEEK_OF_WEEK_BASED_YEAR
                .rangeRefinedBy(LocalDate.of(year, 6, 1))
                .getMaximum();
    }

    /**
     * Reads the digits from the sidewall.
     *
     * @param today no tyre was made after this day
     * @throws IllegalArgumentException with the reason in words, if they are no date code
     */
    public static TyreDateCode read(String digits, LocalDate today) {
        String plain = digits.strip();
        if (THREE.matcher(plain).matches()) {
            throw new IllegalArgumentException(
                    "three digits were used before 2000; such a tyre is too old for the road");
        }
        if (!FOUR.matcher(plain).matches()) {
            throw new IllegalArgumentException(
                    "\"" + plain + "\" is no date code: the last four digits, week and year," + " such as 3423");
        }
        TyreDateCode code =
                new TyreDateCode(Integer.parseInt(plain.substring(0, 2)), 2000 + Integer.parseInt(plain.substring(2)));
        if (code.monday().isAfter(today)) {
            throw new IllegalArgumentException(
                    "week " + code.week() + " of " + code.year() + " is still to come; read the sidewall again");
        }
        return code;
    }

    /** The first day of its week. */
    public LocalDate monday() {
        return LocalDate.of(year, 1, 4)
                .with(IsoFields.WEEK_OF_WEEK_BASED_YEAR, week)
                .with(DayOfWeek.MONDAY);
    }

    /** Whole years from the first day of its week to {@code day}. */
    public int years(LocalDate day) {
        return (int) ChronoUnit.YEARS.between(monday(), day);
    }
}
