package vividcaravan.simulator;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.AbsolutePressure;

/**
 * Wheels in the workshop, whose sensors nobody has paired yet, and the handheld reader that wakes them: every wheel has a
 * tyre with air and a sensor with a code of its own. Which sensor somebody writes down for which wheel is up to them, so a
 * wrong pairing can be made on purpose.
 */
final class SimulatedBench {

    private static final long EVERY_MILLIS = 15_000;
    private static final long AWAKE_MILLIS = 2 * 3_600_000L;
    private static final double WORKSHOP_C = 17;
    private static final String PREFIX = "7C";
    private static final int NEAR_DBM = -51;
    private static final int BESIDE_DBM = -68;

    private static final class Wheel {
        private final String code;
        private final SimulatedTyre tyre;
        private final Random noise;
        private long awakeUntil;
        private long nextAt;
        private boolean isNear;

        Wheel(String code, SimulatedTyre tyre) {
            this.code = code;
            this.tyre = tyre;
            this.noise = new Random(code.hashCode());
        }
    }

    private final Map<String, Wheel> wheels = new LinkedHashMap<>();

    /**
     * Holds the reader to a wheel: its sensor wakes and is heard next, strongly.
     *
     * @param targetKpa what the tyre is meant to have, kPa gauge at 20 °C
     * @return the sensor's code
     */
    synchronized String touch(String vehicle, Position position, double targetKpa, Instant now) {
        Wheel wheel = wheel(vehicle, position, targetKpa);
        wheels.values().forEach(other -> other.isNear = other == wheel);
        wake(wheel, now.toEpochMilli());
        return wheel.code;
    }

    /**
     * Lets air into a wheel, or out of it.
     *
     * @param kpa how much, kPa gauge at 20 °C, negative for out
     */
    synchronized void inflate(String vehicle, Position position, double targetKpa, double kpa, Instant now) {
        Wheel wheel = wheel(vehicle, position, targetKpa);
        wheel.tyre.fill(Math.max(0, wheel.tyre.kpaAt20() + kpa));
        wake(wheel, now.toEpochMilli());
    }

    private static void wake(Wheel wheel, long now) {
        wheel.awakeUntil = now + AWAKE_MILLIS;
        wheel.nextAt = now;
    }

    private Wheel wheel(String vehicle, Position position, double targetKpa) {
        return wheels.computeIfAbsent(vehicle + " " + position, place -> {
            String code = code(place);
            double filled = targetKpa * (0.97 + new Random(code.hashCode()).nextDouble() * 0.04);
            return new Wheel(
                    code, new SimulatedTyre(AbsolutePressure.STANDARD_ATMOSPHERE, targetKpa, filled, 0, WORKSHOP_C));
        });
    }

    /** Whether a code is one of the workshop's wheels. */
    static boolean hasCode(String code) {
        return code.startsWith(PREFIX);
    }

    private static String code(String place) {
        CRC32 sum = new CRC32();
        sum.update(place.getBytes(StandardCharsets.UTF_8));
        return PREFIX + "%05X".formatted(sum.getValue() & 0xFFFFF);
    }

    /** What is heard up to {@code now}. */
    synchronized void pass(Instant now, Consumer<SimulatedReading> receiver) {
        for (Wheel wheel : List.copyOf(wheels.values())) {
            if (wheel.nextAt <= now.toEpochMilli() && now.toEpochMilli() <= wheel.awakeUntil) {
                receiver.accept(new SimulatedReading(
                        wheel.code,
                        now.toEpochMilli(),
                        (double) Math.round(wheel.tyre.reportedKpa()),
                        wheel.tyre.celsius(),
                        3_010,
                        (wheel.isNear ? NEAR_DBM : BESIDE_DBM) - wheel.noise.nextInt(5),
                        false));
                wheel.nextAt = now.toEpochMilli() + EVERY_MILLIS;
            }
        }
    }
}
