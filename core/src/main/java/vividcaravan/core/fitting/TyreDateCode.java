package vividcaravan.core.fitting;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.IsoFields;
import java.time.temporal.TemporalAdjusters;
import java.util.regex.Pattern;

/**
 * The week and year in which a tyre was made: the last four digits of its identification, week and year [49 CFR 574.5].
 * Three digits were used before 2000. The rule counts weeks from Sunday, the first full one being 01 [from memory]; elsewhere
 * they are counted as ISO 8601 does. Which of the two a maker used does not show, so a week is good that either has.
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
        int weeks = Math.max(isoWeeksOf(year), sundaysOf(year));
        if (!(week >= 1 && week <= weeks)) {
            throw new IllegalArgumentException(
                    "week " + week + " does not exist in " + year + ", which has weeks 1 to " + weeks);
        }
    }

    private static int isoWeeksOf(int year) {
        return (int) IsoFields.WEEK_OF_WEEK_BASED_YEAR
                .rangeRefinedBy(LocalDate.of(year, 6, 1))
                .getMaximum();
    }

    /** Full weeks from Sunday that begin in a year. */
    private static int sundaysOf(int year) {
        return firstSunday(year).plusWeeks(52).getYear() == year ? 53 : 52;
    }

    private static LocalDate firstSunday(int year) {
        return LocalDate.of(year, 1, 1).with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY));
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
        if (code.firstDay().isAfter(today)) {
            throw new IllegalArgumentException(
                    "week " + code.week() + " of " + code.year() + " is still to come; read the sidewall again");
        }
        return code;
    }

    /** The first day of its week, the earlier one where the two ways of counting differ: no tyre is taken as younger than it may be. */
    public LocalDate firstDay() {
        LocalDate fromSunday = firstSunday(year).plusWeeks(week - 1L);
        LocalDate iso = LocalDate.of(year, 1, 4)
                .with(IsoFields.WEEK_OF_WEEK_BASED_YEAR, Math.min(week, isoWeeksOf(year)))
                .with(DayOfWeek.MONDAY);
        boolean hasBoth = week <= isoWeeksOf(year) && week <= sundaysOf(year);
        if (hasBoth) {
            return iso.isBefore(fromSunday) ? iso : fromSunday;
        }
        return week <= sundaysOf(year) ? fromSunday : iso;
    }

    /** Whole years from the first day of its week to {@code day}. */
    public int years(LocalDate day) {
        return (int) ChronoUnit.YEARS.between(firstDay(), day);
    }
}
