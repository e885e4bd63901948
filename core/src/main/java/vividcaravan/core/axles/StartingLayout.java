package vividcaravan.core.axles;

import static vividcaravan.core.axles.AxleRole.DRIVE;
import static vividcaravan.core.axles.AxleRole.LIFT;
import static vividcaravan.core.axles.AxleRole.STEER;
import static vividcaravan.core.axles.AxleRole.TAG;
import static vividcaravan.core.axles.AxleRole.TRAILER;
import static vividcaravan.core.axles.WheelArrangement.SINGLE;
import static vividcaravan.core.axles.WheelArrangement.TWIN;
import static vividcaravan.core.axles.WheelArrangement.WIDE_SINGLE;

import java.util.List;

/**
 * Vehicles to start a description from. The pressures are figures such vehicles often carry [common practice]; the placard
 * or the tyre maker's table goes first.
 */
public enum StartingLayout {
    RIGID_2("Rigid, 2 axles", VehicleKind.RIGID_TRUCK, on(STEER, SINGLE, 850), on(DRIVE, TWIN, 780)),
    RIGID_3_TAG(
            "Rigid, 3 axles with tag",
            VehicleKind.RIGID_TRUCK,
            on(STEER, SINGLE, 850),
            on(DRIVE, TWIN, 780),
            on(TAG, SINGLE, 780)),
    RIGID_3_LIFT(
            "Rigid, 3 axles with lift",
            VehicleKind.RIGID_TRUCK,
            on(STEER, SINGLE, 850),
            on(DRIVE, TWIN, 780),
            lifted(LIFT, SINGLE, 780)),
    TRACTOR_4X2("Tractor unit 4x2", VehicleKind.TRACTOR_UNIT, on(STEER, SINGLE, 850), on(DRIVE, TWIN, 780)),
    TRACTOR_6X4(
            "Tractor unit 6x4",
            VehicleKind.TRACTOR_UNIT,
            on(STEER, SINGLE, 850),
            on(DRIVE, TWIN, 780),
            on(DRIVE, TWIN, 780)),
    SEMI_2("Semi-trailer, 2 axles", VehicleKind.SEMI_TRAILER, on(TRAILER, TWIN, 780), on(TRAILER, TWIN, 780)),
    SEMI_3(
            "Semi-trailer, 3 axles",
            VehicleKind.SEMI_TRAILER,
            lifted(TRAILER, WIDE_SINGLE, 900),
            on(TRAILER, WIDE_SINGLE, 900),
            on(TRAILER, WIDE_SINGLE, 900)),
    DRAWBAR("Drawbar trailer", VehicleKind.DRAWBAR_TRAILER, on(TRAILER, TWIN, 780), on(TRAILER, TWIN, 780)),
    DOLLY("Dolly", VehicleKind.DOLLY, on(TRAILER, TWIN, 780)),
    BUS_2("Bus, 2 axles", VehicleKind.BUS, on(STEER, SINGLE, 850), on(DRIVE, TWIN, 780)),
    BUS_3("Bus, 3 axles", VehicleKind.BUS, on(STEER, SINGLE, 850), on(DRIVE, TWIN, 780), on(TAG, SINGLE, 780)),
    BUS_ARTICULATED(
            "Articulated bus", VehicleKind.BUS, on(STEER, SINGLE, 850), on(DRIVE, TWIN, 780), on(DRIVE, TWIN, 780)),
    FARM_SINGLE("Farm tractor, single rear", VehicleKind.FARM_TRACTOR, on(STEER, SINGLE, 160), on(DRIVE, SINGLE, 140)),
    FARM_TWIN("Farm tractor, twin rear", VehicleKind.FARM_TRACTOR, on(STEER, SINGLE, 160), on(DRIVE, TWIN, 120)),
    FARM_TRAILER("Farm trailer", VehicleKind.IMPLEMENT, on(TRAILER, WIDE_SINGLE, 350), on(TRAILER, WIDE_SINGLE, 350));

    /**
     * An axle to start from.
     *
     * @param coldKpa a cold pressure to start from, kPa gauge
     */
    public record StartingAxle(Axle axle, double coldKpa) {}

    private final String words;
    private final VehicleKind kind;
    private final List<StartingAxle> axles;

    StartingLayout(String words, VehicleKind kind, StartingAxle... axles) {
        this.words = words;
        this.kind = kind;
        this.axles = List.of(axles);
    }

    private static StartingAxle on(AxleRole role, WheelArrangement wheels, double coldKpa) {
        return new StartingAxle(new Axle(role, wheels, false), coldKpa);
    }

    private static StartingAxle lifted(AxleRole role, WheelArrangement wheels, double coldKpa) {
        return new StartingAxle(new Axle(role, wheels, true), coldKpa);
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    /** What kind of vehicle it is for. */
    public VehicleKind kind() {
        return kind;
    }

    /** From the front. */
    public List<StartingAxle> axles() {
        return axles;
    }
}
