package vividcaravan.server.vehicles;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitOverrides;

/**
 * The fleet as a document, in and out.
 *
 * @param onExisting {@code "update"} to change vehicles that exist; null makes them a fault
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FleetDocument(
        String format,
        int version,
        @Nullable String onExisting,
        @Nullable List<DepotEntry> depots,
        @Nullable List<VehicleEntry> vehicles) {

    public static final String FORMAT = "vivid-caravan-fleet";
    public static final int VERSION = 1;

    /** A depot; what is null is not said. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record DepotEntry(String name, @Nullable String timeZone, @Nullable Double altitudeM) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record VehicleEntry(
            String ref,
            VehicleKind kind,
            @Nullable String plate,
            @Nullable String depot,
            @Nullable DutyProfile duty,
            int spares,
            List<AxleEntry> axles,
            @Nullable List<SensorEntry> sensors) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record AxleEntry(
            AxleRole role,
            WheelArrangement wheels,
            boolean liftable,
            double coldPressureKpa,
            @Nullable Boolean ballasted,
            @Nullable Boolean automaticInflation,
            @Nullable LimitsEntry limits) {}

    /** Limits that an axle sets for itself; what is null is inherited. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record LimitsEntry(
            @Nullable Basis basis,
            @Nullable Double lowPct,
            @Nullable Double lowCriticalPct,
            @Nullable Double highPct,
            @Nullable Double temperatureC,
            @Nullable Double temperatureCriticalC) {

        LimitOverrides overrides() {
            return new LimitOverrides(basis, lowPct, lowCriticalPct, highPct, temperatureC, temperatureCriticalC);
        }

        static LimitsEntry of(LimitOverrides overrides) {
            return overrides.isEmpty()
                    ? null
                    : new LimitsEntry(
                            overrides.basis(),
                            overrides.lowPct(),
                            overrides.lowCriticalPct(),
                            overrides.highPct(),
                            overrides.temperatureC(),
                            overrides.temperatureCriticalC());
        }
    }

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SensorEntry(String position, String code, @Nullable MountKind mount, @Nullable Instant fittedAt) {}
}
