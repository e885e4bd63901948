package vividcaravan.server.ingest;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import vividcaravan.core.coupling.Hearing;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.ReceiversHeard;
import vividcaravan.server.writer.Pen;

/** Which receivers heard what, of the readings of one write. */
final class ReceiverLog {

    private static final long MINUTE_MILLIS = 60_000;

    private record Minute(String receiver, long vehicle, long minute) {}

    private static final class Heard {
        long last = Long.MIN_VALUE;
        boolean saysMoving;
        boolean saysStanding;
        double sumC;
        int measured;
    }

    private final Map<String, ReceiversHeard.Count> receivers = new HashMap<>();
    private final Map<Minute, Heard> minutes = new HashMap<>();

    /** A receiver heard a sensor, be it a stranger. */
    void hear(String receiver, Reading reading) {
        receivers.merge(receiver, new ReceiversHeard.Count(1, reading.at()), (known, one) -> known.and(reading.at()));
    }

    /** The sensor sat on a vehicle at that time. */
    void hear(String receiver, long vehicle, Reading reading) {
        Heard heard = minutes.computeIfAbsent(
                new Minute(receiver, vehicle, Math.floorDiv(reading.at(), MINUTE_MILLIS)), minute -> new Heard());
        heard.last = Math.max(heard.last, reading.at());
        heard.saysMoving |= Boolean.TRUE.equals(reading.moving());
        heard.saysStanding |= Boolean.FALSE.equals(reading.moving());
        if (reading.isMeasurement()) {
            heard.sumC += reading.temperatureC();
            heard.measured++;
        }
    }

    boolean isEmpty() {
        return receivers.isEmpty();
    }

    ReceiversHeard event(Pen pen) {
        List<Hearing> hearings = minutes.entrySet().stream()
                .map(entry -> hearing(entry.getKey(), entry.getValue()))
                .sorted(Comparator.comparingLong(Hearing::at)
                        .thenComparing(Hearing::receiver)
                        .thenComparingLong(Hearing::vehicle))
                .toList();
        return new ReceiversHeard(pen, new TreeMap<>(receivers), hearings);
    }

    private static Hearing hearing(Minute minute, Heard heard) {
        Boolean isMoving = heard.saysMoving ? Boolean.TRUE : heard.saysStanding ? Boolean.FALSE : null;
        double celsius = heard.measured == 0 ? Double.NaN : heard.sumC / heard.measured;
        return new Hearing(minute.receiver(), minute.vehicle(), heard.last, isMoving, celsius);
    }
}
