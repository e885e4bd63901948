package vividcaravan.server.fleet;

import java.nio.ByteBuffer;
import vividcaravan.core.judge.rules.Reading;

/** One reading as a few fixed bytes, for a sensor's newest. */
final class ReadingBytes {

    private static final int NONE = Integer.MIN_VALUE;

    private ReadingBytes() {}

    static byte[] write(Reading reading) {
        return ByteBuffer.allocate(33)
                .putLong(reading.at())
                .putDouble(reading.pressureKpa())
                .putDouble(reading.temperatureC())
                .putInt(reading.batteryMv() == null ? NONE : reading.batteryMv())
                .putInt(reading.rssiDbm() == null ? NONE : reading.rssiDbm())
                .put((byte) (reading.moving() == null ? -1 : reading.moving() ? 1 : 0))
                .array();
    }

    static Reading read(byte[] bytes) {
        ByteBuffer in = ByteBuffer.wrap(bytes);
        long at = in.getLong();
        double pressure = in.getDouble();
        double temperature = in.getDouble();
        int battery = in.getInt();
        int rssi = in.getInt();
        byte moving = in.get();
        return new Reading(
                at,
                pressure,
                temperature,
                battery == NONE ? null : battery,
                rssi == NONE ? null : rssi,
                moving < 0 ? null : moving == 1);
    }
}
