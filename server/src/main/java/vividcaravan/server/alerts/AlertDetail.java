package vividcaravan.server.alerts;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Cause;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.fleet.WheelLimits;

/**
 * An alert with all that the Desk shows of it.
 *
 * @param causes what is likely behind it, the likeliest first
 * @param reasons why we think so, in the reader's units
 * @param safety the cautions that apply
 * @param isRunSoft whether only an inspection off the vehicle or scrapping closes it
 * @param hasToBeInspected whether only a named inspection or the end of its tyre closes it: run soft, or seen by a person
 * @param canBeTakenBack whether the last act in its record can be taken back
 * @param shelvedUntil when it comes back, if it was put aside
 * @param shownPosition the wheel whose readings show it best; null where none does
 * @param chartHours how many hours of its readings show it best
 * @param exchangeWith the wheel whose sensor is to change places with this one's, where that is offered; null otherwise
 * @param exchangeSince since when, as far as the readings tell
 * @param limits of that wheel now; null where the wheel is gone
 */
public record AlertDetail(
        AlertItem item,
        List<Cause> causes,
        List<String> reasons,
        List<Safety> safety,
        List<Entry> record,
        boolean isRunSoft,
        boolean hasToBeInspected,
        boolean canBeTakenBack,
        boolean isParked,
        @Nullable Instant shelvedUntil,
        @Nullable String shownPosition,
        int chartHours,
        @Nullable String exchangeWith,
        @Nullable Instant exchangeSince,
        @Nullable WheelLimits limits) {

    /** A caution. */
    public record Safety(String title, String text) {}

    /** One line of the record. */
    public record Entry(
            Instant at,
            AlertEntry.Change change,
            AlertKind kind,
            Urgency urgency,
            @Nullable String who,
            @Nullable String note) {}
}
