package vividcaravan.core.duty;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Who is on duty at a depot. Shifts go by the clock on the wall: over a change of summer time a night is an hour shorter or
 * longer, and between a shift and the next there is no hole.
 *
 * @param zone of the depot
 * @param shifts of a week, in the order in which people are called
 * @param replacements exceptions of single days
 */
public record DutyList(ZoneId zone, List<Shift> shifts, List<Replacement> replacements) {

    public DutyList {
        shifts = List.copyOf(shifts);
        replacements = List.copyOf(replacements);
    }

    /** Who is on duty at {@code at}, in the order in which they are called; nobody twice. */
    public List<String> onDuty(Instant at) {
        LocalDate today = at.atZone(zone).toLocalDate();
        Set<String> people = new LinkedHashSet<>();
        for (Shift shift : shifts) {
            // A night began the day before.
            for (LocalDate day : List.of(today.minusDays(1), today)) {
                if (shift.day() == day.getDayOfWeek() && isWithin(shift, day, at)) {
                    String who = standingIn(shift.who(), day);
                    if (who != null) {
                        people.add(who);
                    }
                }
            }
        }
        return List.copyOf(people);
    }

    private boolean isWithin(Shift shift, LocalDate day, Instant at) {
        ZonedDateTime from = day.atTime(shift.from()).atZone(zone);
        LocalDate end = shift.to().isAfter(shift.from()) ? day : day.plusDays(1);
        ZonedDateTime to = end.atTime(shift.to()).atZone(zone);
        return !at.isBefore(from.toInstant()) && at.isBefore(to.toInstant());
    }

    private String standingIn(String who, LocalDate day) {
        for (Replacement replacement : replacements) {
            if (replacement.date().equals(day) && replacement.who().equals(who)) {
                return replacement.instead();
            }
        }
        return who;
    }
}
