package vividcaravan.simulator;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.simulator.VehiclePlan.PlannedAxle;

/** The Larkmoor Valley Transport Co-operative, invented: its depots, its vehicles, and what happens to some of them. */
public final class Larkmoor {

    /** The zone all depots live by. */
    static final String TIME_ZONE = "Europe/Dublin";

    /** Depots and their altitudes, m. */
    static final Map<String, Double> DEPOTS =
            new TreeMap<>(Map.of("Larkmoor", 35.0, "Sallow Bridge", 90.0, "High Tarn", 620.0));

    /** Whom drivers of each depot call: numbers that are set aside for invented people. */
    static final Map<String, String> PHONES =
            Map.of("Larkmoor", "020 910 0135", "Sallow Bridge", "020 910 0190", "High Tarn", "020 910 0620");

    private static final double HOURS_OF_DAY = 24;

    private Larkmoor() {}

    /** Every vehicle. */
    static List<VehiclePlan> vehicles() {
        List<String[]> faults = table("faults.csv");
        return table("vehicles.csv").stream().map(row -> vehicle(row, faults)).toList();
    }

    /**
     * Which receiver hears the sensors of each vehicle: one in the cab of each that drives, which hears the trailer behind it
     * too. Trailers that stand behind nobody are heard by nobody who gives a name.
     */
    static Map<String, String> receivers(List<VehiclePlan> vehicles) {
        Map<String, String> receivers = new TreeMap<>();
        vehicles.stream()
                .filter(vehicle -> !vehicle.kind().isPulled())
                .forEach(vehicle -> receivers.put(vehicle.ref(), "cab-" + vehicle.ref()));
        combinations().forEach((trailer, puller) -> receivers.put(trailer, receivers.get(puller)));
        return receivers;
    }

    /** Which vehicle pulls each trailer. */
    public static Map<String, String> combinations() {
        Map<String, String> pullers = new TreeMap<>();
        table("combinations.csv").forEach(row -> pullers.put(row[0], row[1]));
        return pullers;
    }

    private static VehiclePlan vehicle(String[] row, List<String[]> faults) {
        return new VehiclePlan(
                row[0],
                VehicleKind.valueOf(row[1]),
                row[2].isEmpty() ? null : row[2],
                row[3],
                Arrays.stream(row[4].split(" ")).map(Larkmoor::axle).toList(),
                Integer.parseInt(row[5]),
                MountKind.valueOf(row[6]),
                Double.parseDouble(row[7]),
                Duty.valueOf(row[8]),
                faults.stream()
                        .filter(fault -> fault[0].equals(row[0]))
                        .map(Larkmoor::fault)
                        .toList(),
                row[9].isEmpty() ? List.of() : List.of(Integer.parseInt(row[9])),
                Set.of());
    }

    /** Such as {@code lift:wide_single:900:liftable}. */
    private static PlannedAxle axle(String text) {
        String[] parts = text.split(":");
        AxleRole role = AxleRole.valueOf(parts[0].toUpperCase(Locale.ROOT));
        WheelArrangement wheels = WheelArrangement.valueOf(parts[1].toUpperCase(Locale.ROOT));
        double target = Double.parseDouble(parts[2]);
        boolean isSoft = target < 300;
        double rise = isSoft ? 10 : role == AxleRole.STEER ? 27 : role == AxleRole.DRIVE ? 24 : 22;
        return new PlannedAxle(new Axle(role, wheels, parts.length > 3), target, rise);
    }

    private static Fault fault(String[] row) {
        double lasts = Double.parseDouble(row[4]);
        return new Fault(
                row[1].isEmpty() ? null : Position.parse(row[1]),
                Fault.Kind.valueOf(row[2]),
                Double.parseDouble(row[3]),
                lasts,
                Double.parseDouble(row[5]),
                lasts < HOURS_OF_DAY);
    }

    private static List<String[]> table(String name) {
        List<String[]> rows = new ArrayList<>();
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                Larkmoor.class.getResourceAsStream("/larkmoor/" + name), StandardCharsets.UTF_8))) {
            in.readLine();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                rows.add(line.split(",", -1));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return rows;
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
