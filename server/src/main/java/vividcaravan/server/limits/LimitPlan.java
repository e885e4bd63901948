package vividcaravan.server.limits;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;

/**
 * The whole fleet as a change of limits would make it.
 *
 * @param vehicles the vehicles that it touches, as they would be
 * @param kept what it changes, so that it can be undone
 */
record LimitPlan(LimitBook book, Map<FleetVehicle, VehicleDescription> vehicles, Kept kept) {

    /** What a change changed, field by field: of levels and of axles. */
    record Kept(List<KeptLevel> levels, List<KeptAxle> axles) {}

    /** What it changed of a level. */
    record KeptLevel(LimitBook.@Nullable Kin kin, List<KeptField> fields) {}

    /**
     * What it changed of an axle.
     *
     * @param vehicle the vehicle's identity, which stays when its ref changes
     * @param axle counted from 1
     */
    record KeptAxle(long vehicle, int axle, List<KeptField> fields) {}

    /**
     * A limit or a target before and after a change.
     *
     * @param field as the fleet document names it
     * @param before null where it was inherited
     * @param after null where it is inherited since
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record KeptField(String field, @Nullable String before, @Nullable String after) {

        /** The other way round: what undoes it. */
        KeptField undone() {
            return new KeptField(field, after, before);
        }
    }

    /** The limits in which two differ. */
    static List<KeptField> fields(LimitOverrides before, LimitOverrides after) {
        return Arrays.stream(LimitName.values())
                .filter(name -> !name.text(before).equals(name.text(after)))
                .map(name -> new KeptField(
                        name.field(),
                        name.text(before).orElse(null),
                        name.text(after).orElse(null)))
                .toList();
    }
}
