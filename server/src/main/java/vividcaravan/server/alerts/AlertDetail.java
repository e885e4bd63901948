package vividcaravan.server.alerts;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.vehicles.WheelLimits;

/**
 * An alert with all that the Desk shows of it.
 *
 * @param reasons why we think so, in the reader's units
 * @param safety the cautions that apply
 * @param isRunSoft whether only an inspection or scrapping closes it
 * @param shelvedUntil when it comes back, if it was put aside
 * @param limits of this wheel now; null where the wheel is gone
 */
public record AlertDetail(
        AlertItem item,
        List<String> reasons,
        List<Safety> safety,
        List<Entry> record,
        boolean isRunSoft,
        boolean isParked,
        @Nullable Instant shelvedUntil,
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
