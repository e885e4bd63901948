package vividcaravan.core.driver;

import java.util.Arrays;
import java.util.Objects;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.core.alert.Sight;
import vividcaravan.core.axles.Position;

/**
 * Puts right what a person reported of a vehicle: it was another wheel, or something else. It takes nothing away, which only a
 * named inspection does: a tyre that was reported flat stays flat, at the wheel that is meant, and what stopped the vehicle stops it
 * until somebody looked, whatever it is said to be now.
 *
 * @param position the wheel that is meant; null where the place was right
 * @param point what is wrong there; null where that was right
 * @param who user name of the person who puts it right
 */
public record ReportCorrection(Position position, WalkPoint point, String who) {

    private static final String SUFFIX = " (corrected: ";

    /**
     * What the report says from now on.
     *
     * @throws AlertRefused if it is no report, or says so already, or the correction would take a part of it away
     */
    public Sight of(Alert report) {
        if (report.kind().family() != AlertFamily.SEEN) {
            throw new AlertRefused("Nobody reported this: the readings did. Correct which sensor sits where instead.");
        }
        Position place = position == null ? report.position() : position;
        boolean isElsewhere = !Objects.equals(place, report.position());
        int suffix = report.lastSeen().indexOf(SUFFIX);
        String said = suffix < 0 ? report.lastSeen() : report.lastSeen().substring(0, suffix);
        boolean isOther = point != null && !said.contains(point.words());
        if (!isElsewhere && !isOther) {
            throw new AlertRefused("The report says so already. Choose another wheel, or something else.");
        }
        if (point == null) {
            return new Sight(place, report.urgency(), who, said, report.isRunSoft(), false);
        }
        refuseIfLost(report, said);
        boolean isLess = report.urgency().isMoreUrgentThan(point.urgency());
        return new Sight(place, isLess ? report.urgency() : point.urgency(), who, point.words(), point.isFlat(), false);
    }

    private void refuseIfLost(Alert report, String said) {
        if (report.isRunSoft() && !point.isFlat()) {
            throw new AlertRefused(
                    "A tyre that was reported flat is marked until a named inspection. Only its wheel can be"
                            + " corrected.");
        }
        long points = Arrays.stream(WalkPoint.values())
                .filter(one -> said.contains(one.words()))
                .count();
        if (points > 1) {
            throw new AlertRefused("More than one thing was reported there. Correct the wheel alone, or close the alert"
                    + " after an inspection.");
        }
    }

    /** Where the report stood before, for the record of where it stands now. */
    public static String words(Alert report) {
        return "corrected: it was reported "
                + (report.position() == null
                        ? "of the whole vehicle"
                        : "at " + report.position().code());
    }
}
