package vividcaravan.core.duty;

import java.time.LocalDate;

/**
 * An exception from the week: somebody stands in for another on a day.
 *
 * @param date on which the shifts begin that are meant
 * @param who who would be on duty
 * @param instead who is instead, or null for nobody
 */
public record Replacement(LocalDate date, String who, String instead) {}
