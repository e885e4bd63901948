package vividcaravan.server.limits;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.platform.Refusal;

/**
 * A change of limits, of the fleet's policy, of a template, or of the axles that a choice finds.
 *
 * @param level which limits are changed
 * @param kind of which kind of vehicle: the template's, or the choice's
 * @param role of which axles: the template's, or the choice's
 * @param depot of the choice, or null for all
 * @param tyreSize of the choice, or null for all
 * @param vehicles refs of the choice, or null for all
 * @param axle number of the one axle of the choice, or null for all
 * @param limits what they are to be; what is null stays as it is
 * @param coldPressureKpa what the target of the axles is to be, or null
 * @param inherit names of limits that are to be inherited again
 */
record LimitEdit(
        @Nullable Level level,
        @Nullable VehicleKind kind,
        @Nullable AxleRole role,
        @Nullable String depot,
        @Nullable String tyreSize,
        @Nullable List<String> vehicles,
        @Nullable Integer axle,
        @Nullable LimitOverrides limits,
        @Nullable Double coldPressureKpa,
        @Nullable List<String> inherit) {

    /** Which limits are changed. */
    enum Level {
        FLEET,
        TEMPLATE,
        AXLES
    }

    /** What limits become by this. */
    LimitOverrides over(LimitOverrides before) {
        LimitOverrides after = limits == null ? before : before.and(limits);
        for (String field : inherit == null ? List.<String>of() : inherit) {
            after = LimitName.of(field)
                    .orElseThrow(() -> Refusal.badRequest("inherit", "There is no limit \"" + field + "\"."))
                    .with(after, Optional.empty());
        }
        return after;
    }

    Optional<LimitBook.Kin> kin() {
        return kind == null || role == null ? Optional.empty() : Optional.of(new LimitBook.Kin(kind, role));
    }

    /** Whether the choice finds an axle, counted from 1. */
    boolean finds(VehicleDescription vehicle, int number) {
        AxleDescription described = vehicle.axles().get(number - 1);
        return (kind == null || vehicle.kind() == kind)
                && (role == null || described.axle().role() == role)
                && (depot == null || depot.equals(vehicle.depot()))
                && (tyreSize == null || tyreSize.equals(described.tyre().size()))
                && (vehicles == null || vehicles.contains(vehicle.ref()))
                && (axle == null || axle == number);
    }
}
