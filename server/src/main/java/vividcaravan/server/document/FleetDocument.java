package vividcaravan.server.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.StartingLayout;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleState;

/**
 * The fleet as a document, in and out.
 *
 * @param history what was in the past; null where the document does not tell
 * @param onExisting {@code "update"} to change vehicles that exist; null makes them a fault
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FleetDocument(
        String format,
        int version,
        @Nullable String onExisting,
        @Nullable List<DepotEntry> depots,
        @Nullable List<VehicleEntry> vehicles,
        @Nullable FleetHistory history) {

    public static final String FORMAT = "vivid-caravan-fleet";
    public static final int VERSION = 1;

    /** A depot; what is null is not said. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record DepotEntry(
            String name, @Nullable String timeZone, @Nullable Double altitudeM, @Nullable String phone) {}

    /** A vehicle; what is null is not said. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record VehicleEntry(
            String ref,
            VehicleKind kind,
            @Nullable String plate,
            @Nullable String depot,
            @Nullable DutyProfile duty,
            @Nullable VehicleUse use,
            @Nullable VehicleState state,
            int spares,
            List<AxleEntry> axles,
            @Nullable List<SensorEntry> sensors) {

        public VehicleDescription description(LimitBook book) {
            return new VehicleDescription(
                    ref,
                    kind,
                    plate,
                    depot,
                    axles.stream().map(AxleEntry::description).toList(),
                    spares,
                    duty == null ? DutyProfile.GENERAL : duty,
                    use == null ? VehicleUse.ROAD : use,
                    book);
        }

        /** What the entry says, and of {@code known} what it does not say. */
        public VehicleDescription description(LimitBook book, @Nullable VehicleDescription known) {
            VehicleDescription said = description(book);
            return known != null && use == null ? said.usedFor(known.use()) : said;
        }

        /** The same description for another vehicle. */
        public VehicleEntry as(String newRef, @Nullable String newPlate, @Nullable String newDepot) {
            return new VehicleEntry(
                    newRef,
                    kind,
                    newPlate,
                    newDepot == null ? depot : newDepot,
                    duty,
                    use,
                    state,
                    spares,
                    axles,
                    sensors);
        }

        /** The same in another state. */
        public VehicleEntry inState(@Nullable VehicleState newState) {
            return new VehicleEntry(ref, kind, plate, depot, duty, use, newState, spares, axles, sensors);
        }

        /** The same in another use. */
        public VehicleEntry withUse(VehicleUse newUse) {
            return new VehicleEntry(ref, kind, plate, depot, duty, newUse, state, spares, axles, sensors);
        }

        public static VehicleEntry of(
                VehicleDescription description, VehicleState state, @Nullable List<SensorEntry> sensors) {
            return new VehicleEntry(
                    description.ref(),
                    description.kind(),
                    description.plate(),
                    description.depot(),
                    description.duty() == DutyProfile.GENERAL ? null : description.duty(),
                    description.use() == VehicleUse.ROAD ? null : description.use(),
                    state == VehicleState.IN_SERVICE ? null : state,
                    description.spares(),
                    description.axles().stream().map(AxleEntry::of).toList(),
                    sensors);
        }
    }

    /**
     * An axle; what is null is not said.
     *
     * @param coldPressureKpa target on the road, laden, every axle down
     * @param fieldPressureKpa target in the field
     * @param unladenPressureKpa target unladen
     * @param liftUpPressureKpa target while lift axles are up
     * @param duty a duty of its own
     * @param tyreSize as it stands on the sidewall
     * @param maxPressureKpa the highest cold pressure that tyre, rim and valve may have
     * @param rimInches rim diameter, inches
     * @param dropCentreMm width of the rim's drop centre, mm
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record AxleEntry(
            AxleRole role,
            WheelArrangement wheels,
            boolean liftable,
            double coldPressureKpa,
            @Nullable Double fieldPressureKpa,
            @Nullable Double unladenPressureKpa,
            @Nullable Double liftUpPressureKpa,
            @Nullable DutyProfile duty,
            @Nullable String tyreSize,
            @Nullable Integer loadIndex,
            @Nullable Double maxPressureKpa,
            @Nullable Double rimInches,
            @Nullable Double dropCentreMm,
            @Nullable Boolean ballasted,
            @Nullable Boolean automaticInflation,
            @Nullable LimitOverrides limits) {

        /** An axle to start a description from. */
        public static AxleEntry starting(StartingLayout.StartingAxle axle) {
            return of(new AxleDescription(
                    axle.axle(),
                    AxleTargets.of(axle.coldKpa()),
                    LimitOverrides.NONE,
                    null,
                    TyreSpec.UNKNOWN,
                    false,
                    false));
        }

        AxleTargets targets() {
            Map<VehicleUse, Double> others = new EnumMap<>(VehicleUse.class);
            others.put(VehicleUse.FIELD, fieldPressureKpa);
            others.put(VehicleUse.UNLADEN, unladenPressureKpa);
            others.put(VehicleUse.LIFT_UP, liftUpPressureKpa);
            others.values().removeIf(Objects::isNull);
            return new AxleTargets(coldPressureKpa, others);
        }

        TyreSpec tyre() {
            return new TyreSpec(tyreSize, loadIndex, maxPressureKpa, rimInches, dropCentreMm);
        }

        LimitOverrides overrides() {
            return limits == null ? LimitOverrides.NONE : limits;
        }

        public AxleDescription description() {
            return new AxleDescription(
                    new Axle(role, wheels, liftable),
                    targets(),
                    overrides(),
                    duty,
                    tyre(),
                    Boolean.TRUE.equals(ballasted),
                    Boolean.TRUE.equals(automaticInflation));
        }

        public static AxleEntry of(AxleDescription axle) {
            Map<VehicleUse, Double> others = axle.targets().others();
            return new AxleEntry(
                    axle.axle().role(),
                    axle.axle().wheels(),
                    axle.axle().liftable(),
                    axle.targets().roadKpa(),
                    others.get(VehicleUse.FIELD),
                    others.get(VehicleUse.UNLADEN),
                    others.get(VehicleUse.LIFT_UP),
                    axle.duty(),
                    axle.tyre().size(),
                    axle.tyre().loadIndex(),
                    axle.tyre().maxColdKpa(),
                    axle.tyre().rimInches(),
                    axle.tyre().dropCentreMm(),
                    axle.isBallasted() ? true : null,
                    axle.isSelfInflating() ? true : null,
                    axle.overrides().isEmpty() ? null : axle.overrides());
        }
    }

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SensorEntry(String position, String code, @Nullable MountKind mount, @Nullable Instant fittedAt) {}
}
