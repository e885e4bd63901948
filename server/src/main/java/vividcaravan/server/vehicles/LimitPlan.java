package vividcaravan.server.vehicles;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;

/**
 * The whole fleet as a change of limits would make it.
 *
 * @param vehicles the vehicles that it touches, as they would be
 * @param kept what was before, so that it can be undone
 */
record LimitPlan(LimitBook book, Map<VehicleInService, VehicleDescription> vehicles, Kept kept) {

    /** What was before a change: the levels and the axles that it touched. */
    record Kept(List<KeptLevel> levels, List<KeptAxle> axles) {}

    /** A level as it was; without limits if there was none. */
    record KeptLevel(LimitBook.@Nullable Kin kin, @Nullable LimitOverrides limits) {}

    /** An axle's own target and limits as they were. */
    record KeptAxle(String vehicle, int axle, double coldKpa, LimitOverrides limits) {}
}
