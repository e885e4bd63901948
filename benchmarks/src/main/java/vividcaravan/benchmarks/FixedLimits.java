package vividcaravan.benchmarks;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Position;
import vividcaravan.simulator.RandomFleet;

/**
 * A fixed-limit school: the gauge against a share below target and a quarter above, and 70 °C, each after three readings in a
 * row; silence for an hour in which the others of the vehicle have each reported some twenty times; a battery below 2.5 V whatever the cold [common practice].
 */
final class FixedLimits implements Detection.School {

    private static final double HIGH = 0.25;
    private static final double HOT_C = 70;
    private static final double DEADBAND = 0.02;
    private static final int READINGS = 3;
    private static final int WEAK_MV = 2500;
    private static final long SILENT_MILLIS = 3_600_000;
    private static final int SILENT_ROUNDS = 20;

    private static final class Wheel {
        double targetKpa;
        int[] beyond = new int[4];
        boolean[] isOpen = new boolean[4];
        boolean isSilent;
        long heardAt = Long.MIN_VALUE;
        long mark;
    }

    private long heard;
    private final String vehicle;
    private final double low;
    private final Map<Position, Wheel> wheels = new HashMap<>();
    private final List<Detection.Said> said = new ArrayList<>();

    /**
     * @param low share below target
     */
    FixedLimits(RandomFleet.Vehicle vehicle, double low) {
        this.vehicle = vehicle.ref();
        this.low = low;
        vehicle.wheels().forEach(w -> {
            Wheel wheel = new Wheel();
            wheel.targetKpa = w.targetKpa();
            wheels.put(w.position(), wheel);
        });
    }

    @Override
    public void take(RandomFleet.Arrival arrival) {
        Wheel wheel = wheels.get(arrival.position());
        long at = arrival.reading().at();
        if (at <= wheel.heardAt || arrival.reading().pressureKpa() == null) {
            return;
        }
        wheel.heardAt = at;
        wheel.isSilent = false;
        heard++;
        wheel.mark = heard;
        double kpa = arrival.reading().pressureKpa();
        double celsius = arrival.reading().temperatureC();
        double target = wheel.targetKpa;
        Position position = arrival.position();
        check(
                wheel,
                0,
                kpa <= (1 - low) * target,
                kpa > (1 - low + DEADBAND) * target,
                AlertKind.UNDER_PRESSURE,
                position,
                at);
        check(
                wheel,
                1,
                kpa >= (1 + HIGH) * target,
                kpa < (1 + HIGH - DEADBAND) * target,
                AlertKind.OVER_PRESSURE,
                position,
                at);
        check(wheel, 2, celsius >= HOT_C, celsius < HOT_C - 2, AlertKind.HOT_TYRE, position, at);
        int mv = arrival.reading().batteryMv();
        check(wheel, 3, mv < WEAK_MV, mv >= WEAK_MV + 100, AlertKind.SENSOR_BATTERY, position, at);
        wheels.forEach((other, state) -> {
            if (!state.isSilent
                    && state.heardAt != Long.MIN_VALUE
                    && at - state.heardAt > SILENT_MILLIS
                    && heard - state.mark > (long) SILENT_ROUNDS * wheels.size()) {
                state.isSilent = true;
                said.add(Detection.Said.once(vehicle, other, AlertKind.SENSOR_SILENT, at));
            }
        });
    }

    private void check(
            Wheel wheel, int limit, boolean isBeyond, boolean isBack, AlertKind kind, Position position, long at) {
        wheel.beyond[limit] = isBeyond ? wheel.beyond[limit] + 1 : 0;
        if (!wheel.isOpen[limit] && wheel.beyond[limit] >= READINGS) {
            wheel.isOpen[limit] = true;
            said.add(Detection.Said.once(vehicle, position, kind, at));
        } else if (isBack) {
            wheel.isOpen[limit] = false;
        }
    }

    @Override
    public List<Detection.Said> said() {
        return said;
    }
}
