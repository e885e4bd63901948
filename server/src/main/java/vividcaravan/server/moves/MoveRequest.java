package vividcaravan.server.moves;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.WhatWent;
import vividcaravan.server.platform.AtMost;

/**
 * Wheels to be moved, all of them or none.
 *
 * @param at when it was done; now unless said otherwise, at most 31 days ago
 * @param distances how far vehicles of it had run, where somebody looked
 */
public record MoveRequest(
        @Nullable Instant at,
        @AtMost(500) @Nullable String note,
        @AtMost(MOST_STEPS) @Nullable List<StepRequest> steps,
        @AtMost(MOST_STEPS) @Nullable List<VehicleDistance> distances) {

    /** No job takes more wheels than the longest combination has. */
    static final int MOST_STEPS = 60;

    /**
     * How far a vehicle had run.
     *
     * @param km 0 to 10,000,000
     */
    public record VehicleDistance(@Nullable String vehicle, @Nullable Double km) {}

    /**
     * A tyre to be moved: the one at a wheel, or one that is off every vehicle.
     *
     * @param vehicle where it is now, with {@code position}
     * @param tyre its identity, where it is off every vehicle
     * @param sensor what becomes of its sensor; the usual unless said otherwise
     * @param reason why it comes off its vehicle, where it goes to no wheel
     * @param went the whole wheel, as is taken where nobody says, or the tyre alone: a leak that may be at bead or valve stays then too
     */
    public record StepRequest(
            @Nullable String vehicle,
            @Nullable String position,
            @Nullable String tyre,
            @Nullable PlaceRequest to,
            @Nullable SensorFate sensor,
            @Nullable RemovalReason reason,
            @Nullable WhatWent went) {}

    /**
     * Where a tyre goes: a wheel, or a place off every vehicle.
     *
     * @param name which store or repairer
     */
    public record PlaceRequest(
            @Nullable String vehicle,
            @Nullable String position,
            TyrePlace.@Nullable Kind kind,
            @AtMost(100) @Nullable String name) {}
}
