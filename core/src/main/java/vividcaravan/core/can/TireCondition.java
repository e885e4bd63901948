package vividcaravan.core.can;

import java.util.List;
import java.util.Optional;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;

/**
 * The heavy-vehicle "tire condition" message, parameter group 65268 [SAE J1939-71, from memory]. It names a wheel by its
 * place, not by a sensor.
 *
 * @param axle counted from the front, from 0
 * @param place counted from left to right, from 0
 * @param pressureKpa gauge, kPa, in steps of 4; NaN where there is none
 * @param temperatureC °C, in steps of 0.03125; NaN where there is none
 * @param leakPaPerS how fast it loses air, Pa/s; NaN where that is not said
 * @param threshold what the transmitter detected, 0 to 7: 2 is normal, 4 extremely under pressure
 * @param isFault whether the transmitter says that the sensor is at fault
 */
public record TireCondition(
        int axle,
        int place,
        double pressureKpa,
        double temperatureC,
        double leakPaPerS,
        int threshold,
        boolean isFault) {

    private static final int GROUP = 65_268;
    private static final int GROUP_SHIFT = 8;
    private static final int GROUP_MASK = 0x3FFFF;
    private static final int LENGTH = 8;

    private static final double KPA_PER_BIT = 4;
    /** From here on a byte says something else than a value: error at 0xFE, not available at 0xFF. */
    private static final int NO_VALUE = 0xFB;

    private static final int ERROR = 0xFE;
    private static final double C_PER_BIT = 0.03125;
    private static final double C_OFFSET = -273;
    private static final double PA_PER_S_PER_BIT = 0.1;
    private static final int THRESHOLD_SHIFT = 5;

    /** What a message says of a tyre; empty for one of something else, or of fewer than eight bytes. */
    public static Optional<TireCondition> of(CanFrame frame) {
        byte[] data = frame.data();
        boolean isOne =
                frame.isExtended() && (frame.id() >>> GROUP_SHIFT & GROUP_MASK) == GROUP && data.length == LENGTH;
        if (!isOne) {
            return Optional.empty();
        }
        int location = data[0] & 0xFF;
        int pressure = data[1] & 0xFF;
        int temperature = word(data, 2);
        int leak = word(data, 5);
        return Optional.of(new TireCondition(
                location >> 4,
                location & 0xF,
                pressure < NO_VALUE ? pressure * KPA_PER_BIT : Double.NaN,
                temperature >> 8 < NO_VALUE ? temperature * C_PER_BIT + C_OFFSET : Double.NaN,
                leak >> 8 < NO_VALUE ? leak * PA_PER_S_PER_BIT : Double.NaN,
                (data[7] & 0xFF) >> THRESHOLD_SHIFT,
                pressure == ERROR || temperature >> 8 == ERROR));
    }

    private static int word(byte[] data, int at) {
        return data[at] & 0xFF | (data[at + 1] & 0xFF) << 8;
    }

    /** Whether it has both values. */
    public boolean isMeasurement() {
        return !Double.isNaN(pressureKpa) && !Double.isNaN(temperatureC);
    }

    /** The wheel on a vehicle; empty where that has none there. */
    public Optional<Position> on(AxleLayout layout) {
        if (axle >= layout.axles().size()) {
            return Optional.empty();
        }
        // Left from outside in, right from inside out: from left to right.
        List<Position> wheels = layout.positions().stream()
                .filter(position -> !position.isSpare() && position.axle() == axle + 1)
                .toList();
        return place < wheels.size() ? Optional.of(wheels.get(place)) : Optional.empty();
    }
}
