package vividcaravan.simulator;

import static vividcaravan.core.axles.AxleRole.DRIVE;
import static vividcaravan.core.axles.AxleRole.LIFT;
import static vividcaravan.core.axles.AxleRole.STEER;
import static vividcaravan.core.axles.AxleRole.TAG;
import static vividcaravan.core.axles.AxleRole.TRAILER;
import static vividcaravan.core.axles.WheelArrangement.SINGLE;
import static vividcaravan.core.axles.WheelArrangement.TWIN;
import static vividcaravan.core.axles.WheelArrangement.WIDE_SINGLE;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.simulator.VehiclePlan.PlannedAxle;

/** The Larkmoor Valley Transport Co-operative, invented: its depots, its vehicles, and what is wrong with two of them. */
public final class Larkmoor {

    /** The zone all depots live by. */
    static final String TIME_ZONE = "Europe/Dublin";

    /** Depots and their altitudes, m. */
    static final Map<String, Double> DEPOTS =
            new TreeMap<>(Map.of("Larkmoor", 35.0, "Sallow Bridge", 90.0, "High Tarn", 620.0));

    private Larkmoor() {}

    /** Every vehicle. */
    static List<VehiclePlan> vehicles() {
        return List.of(
                new VehiclePlan(
                        "GX-05",
                        VehicleKind.TRACTOR_UNIT,
                        "KD 41 LUM",
                        "Sallow Bridge",
                        List.of(axle(STEER, SINGLE, 850, 27), axle(DRIVE, TWIN, 780, 24), axle(DRIVE, TWIN, 780, 24)),
                        1,
                        MountKind.STRAP,
                        1,
                        Duty.ROUND_THE_CLOCK,
                        List.of(Fault.slowLeak("2LO", -8.4, 17, 13.5)),
                        List.of()),
                new VehiclePlan(
                        "GT-12",
                        VehicleKind.SEMI_TRAILER,
                        "KD 12 GRA",
                        "Sallow Bridge",
                        List.of(
                                lift(LIFT, WIDE_SINGLE, 900, 20),
                                axle(TRAILER, WIDE_SINGLE, 900, 23),
                                axle(TRAILER, WIDE_SINGLE, 900, 23)),
                        1,
                        MountKind.BELT,
                        4,
                        Duty.ROUND_THE_CLOCK,
                        List.of(),
                        List.of()),
                new VehiclePlan(
                        "LM-21",
                        VehicleKind.RIGID_TRUCK,
                        "KD 60 MIL",
                        "Larkmoor",
                        List.of(axle(STEER, SINGLE, 830, 26), axle(DRIVE, TWIN, 760, 23), axle(TAG, SINGLE, 760, 22)),
                        0,
                        MountKind.STRAP,
                        4,
                        Duty.DAY,
                        List.of(),
                        List.of()),
                new VehiclePlan(
                        "LM-31",
                        VehicleKind.DRAWBAR_TRAILER,
                        "KD 61 MIL",
                        "Larkmoor",
                        List.of(axle(TRAILER, TWIN, 800, 22), axle(TRAILER, TWIN, 800, 22)),
                        1,
                        MountKind.STRAP,
                        4,
                        Duty.DAY,
                        List.of(),
                        List.of()),
                new VehiclePlan(
                        "BV-03",
                        VehicleKind.BUS,
                        "SB 07 ORL",
                        "Sallow Bridge",
                        List.of(axle(STEER, SINGLE, 820, 28), axle(DRIVE, TWIN, 780, 28), axle(TAG, SINGLE, 780, 26)),
                        0,
                        MountKind.STRAP,
                        1,
                        Duty.ROUND_THE_CLOCK,
                        List.of(Fault.draggingBrake("3R", -1.0, 3.2, 72)),
                        List.of()),
                new VehiclePlan(
                        "BV-11",
                        VehicleKind.BUS,
                        "SB 11 ORL",
                        "Larkmoor",
                        List.of(axle(STEER, SINGLE, 800, 27), axle(DRIVE, TWIN, 760, 26)),
                        0,
                        MountKind.CAP,
                        4,
                        Duty.DAY,
                        List.of(),
                        List.of()),
                new VehiclePlan(
                        "TK-09",
                        VehicleKind.FARM_TRACTOR,
                        "KD 22 TEN",
                        "High Tarn",
                        List.of(axle(STEER, SINGLE, 160, 10), axle(DRIVE, SINGLE, 140, 10)),
                        0,
                        MountKind.CAP,
                        1,
                        Duty.FARM,
                        List.of(),
                        List.of()),
                new VehiclePlan(
                        "TK-21",
                        VehicleKind.IMPLEMENT,
                        null,
                        "High Tarn",
                        List.of(axle(TRAILER, WIDE_SINGLE, 240, 9), lift(TRAILER, WIDE_SINGLE, 240, 9)),
                        0,
                        MountKind.CAP,
                        1,
                        Duty.FARM,
                        List.of(),
                        List.of(2)));
    }

    private static PlannedAxle axle(AxleRole role, WheelArrangement wheels, double targetKpa, double runningRiseC) {
        return new PlannedAxle(new Axle(role, wheels, false), targetKpa, runningRiseC);
    }

    private static PlannedAxle lift(AxleRole role, WheelArrangement wheels, double targetKpa, double runningRiseC) {
        return new PlannedAxle(new Axle(role, wheels, true), targetKpa, runningRiseC);
    }

    /** The code of the sensor at a wheel: made up, the same every time, no two alike. */
    static String sensorCode(int vehicleIndex, Position position) {
        int wheel = position.isSpare()
                ? 0xF0 + position.spare()
                : position.axle() * 16
                        + position.side().ordinal() * 8
                        + position.slot().ordinal();
        // An odd factor modulo 2^24 is one to one, so distinct wheels have distinct codes.
        int mixed = (vehicleIndex * 256 + wheel) * 0x5A1C35 + 0x4B2D17 & 0xFFFFFF;
        return String.format("%06X", mixed);
    }
}
