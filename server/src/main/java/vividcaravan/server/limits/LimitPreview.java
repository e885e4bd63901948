package vividcaravan.server.limits;

import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.fleet.WheelLimits;

/**
 * What a change of limits comes to.
 *
 * @param axles every axle that it changes
 * @param opens wheels whose newest reading would be outside by it, and is not now
 * @param closes wheels whose newest reading is outside now, and would not be by it
 * @param faults why it cannot be
 * @param batch what to undo it by, once it was made
 */
record LimitPreview(
        List<ChangedAxle> axles,
        List<ChangedWheel> opens,
        List<ChangedWheel> closes,
        List<LimitFaultAt> faults,
        @Nullable String batch) {

    /** An axle and its limits before and after. */
    record ChangedAxle(String vehicle, int axle, WheelLimits before, WheelLimits after) {}

    /** A wheel whose newest reading stands otherwise. */
    record ChangedWheel(String vehicle, String position, String words) {}

    /** A limit that cannot stand. */
    record LimitFaultAt(String vehicle, int axle, String field, String message) {}
}
