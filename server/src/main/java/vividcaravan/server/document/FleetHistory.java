package vividcaravan.server.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;

/**
 * What was in the past: where each sensor and tyre was and when, what was measured and repaired, which wheels were moved,
 * which pressures were set, who pulled whom. It belongs to a fleet document and goes only into a product that has no vehicles.
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FleetHistory(
        List<SensorPast> sensors,
        List<TyrePast> tyres,
        List<MovePast> moves,
        List<CouplingPast> couplings,
        List<Adjusted> adjustments) {

    /** A sensor and every wheel it ever sat at. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SensorPast(
            String code, @Nullable MountKind mount, @Nullable String retiredBecause, List<SensorStay> stays) {}

    /**
     * @param to null while it lasts
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record SensorStay(String vehicle, String position, Instant from, @Nullable Instant to) {}

    /** A place of a tyre: a wheel, or off every vehicle. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Place(
            @Nullable String vehicle,
            @Nullable String position,
            TyrePlace.@Nullable Kind kind,
            @Nullable String name) {}

    /**
     * @param id its identity in the document, to which moves refer; in the product it gets one of its own
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record TyrePast(
            String id,
            @Nullable String maker,
            @Nullable String pattern,
            @Nullable String size,
            @Nullable Integer loadIndex,
            @Nullable String speedSymbol,
            @Nullable String dateCode,
            @Nullable Boolean retread,
            @Nullable Boolean directional,
            @Nullable String note,
            @Nullable Instant markedAt,
            @Nullable String markedBecause,
            @Nullable AlertKind markedKind,
            @Nullable String markedSeenBy,
            @Nullable List<TroublePast> trouble,
            Instant addedAt,
            @Nullable String addedBy,
            List<TyreStayPast> stays,
            List<Tread> treads,
            List<Repair> repairs) {}

    /**
     * What was open against a tyre at a wheel: it goes with the fleet, and stands open where that is taken in.
     *
     * @param runSoft true where only a named inspection settles it
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record TroublePast(
            AlertKind kind,
            Urgency urgency,
            @Nullable Boolean runSoft,
            Instant since,
            @Nullable String seenBy,
            String words) {}

    /**
     * @param sensor the code of the sensor inside while it is off every vehicle
     * @param from null where nobody saw the beginning
     * @param to null while it lasts
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record TyreStayPast(Place place, @Nullable String sensor, @Nullable Instant from, @Nullable Instant to) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Tread(Instant at, double shallowestMm, String pointsMm, @Nullable Double km, String who) {}

    public record Repair(Instant at, String what, String repairer, String who) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record MovePast(
            Instant at,
            Instant madeAt,
            String madeBy,
            @Nullable String note,
            @Nullable Instant undoneAt,
            @Nullable String undoneBy,
            List<Step> steps,
            List<Nuts> nuts,
            @Nullable List<Distance> distances) {}

    /** How far a vehicle had run at a move. */
    public record Distance(String vehicle, double km) {}

    /** @param tyre the identity in this document */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Step(
            String tyre,
            Place from,
            Place to,
            @Nullable String sensor,
            SensorFate fate,
            @Nullable RemovalReason reason) {}

    /** Wheel nuts to be tightened again after a move. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Nuts(
            String vehicle,
            String position,
            Instant offAt,
            Instant dueAt,
            int km,
            @Nullable Instant doneAt,
            @Nullable String doneBy,
            @Nullable Double torqueNm,
            @Nullable Boolean dropped) {}

    /** Somebody set a pressure: what the hand gauge showed, kPa, or null where nobody measured. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Adjusted(
            String vehicle,
            String position,
            Instant at,
            @Nullable Double beforeKpa,
            @Nullable Double afterKpa,
            String who,
            @Nullable String note) {}

    /** @param to null while it lasts */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record CouplingPast(
            String pulled,
            String puller,
            Instant from,
            @Nullable Instant to,
            Coupling.Source source,
            @Nullable String begunBy,
            Coupling.@Nullable Source endedSource,
            @Nullable String endedBy) {}
}
