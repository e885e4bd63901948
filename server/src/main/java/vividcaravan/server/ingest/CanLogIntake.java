package vividcaravan.server.ingest;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.Position;
import vividcaravan.core.can.CanFrame;
import vividcaravan.core.can.TireCondition;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.writer.SingleWriter;

/**
 * A log of a vehicle's bus on its way in. Its messages name wheels and not sensors: each is stored with the sensor that sat at
 * its wheel at its time.
 */
final class CanLogIntake {

    private static final int PORTION = 50_000;
    private static final int MOST_FAULTS = 20;

    private final FleetDirectory fleet;
    private final FleetVehicle vehicle;
    private final AxleLayout layout;
    private final Inlet inlet;
    private final Receiver receiver;
    private final ReadingPlaces.Place place;
    private final boolean isPreview;
    private final long oldest;
    private final long newest;

    private final Map<Position, List<Fitting>> stays = new HashMap<>();
    private final Map<Integer, Long> heard = new TreeMap<>();
    private final List<CanLogAnswer.LineFault> faults = new ArrayList<>();
    private final List<IncomingReading> portion = new ArrayList<>();
    private Tally tally = Tally.NONE;
    private boolean hasBegun;
    private long lines;
    private long messages;
    private long others;
    private long unreadable;
    private long notMeasured;
    private long usable;
    private long rejected;
    private long from = Long.MAX_VALUE;
    private long to = Long.MIN_VALUE;

    /**
     * @param oldest readings before are not kept, epoch milliseconds
     * @param newest readings after are of a wrong clock, epoch milliseconds
     */
    CanLogIntake(
            FleetDirectory fleet,
            FleetVehicle vehicle,
            Inlet inlet,
            Receiver receiver,
            ReadingPlaces.Place place,
            boolean isPreview,
            long oldest,
            long newest) {
        this.fleet = fleet;
        this.vehicle = vehicle;
        this.layout = vehicle.description().layout();
        this.inlet = inlet;
        this.receiver = receiver;
        this.place = place;
        this.isPreview = isPreview;
        this.oldest = oldest;
        this.newest = newest;
    }

    /**
     * Takes a log.
     *
     * @throws IOException if it breaks off; what was taken before is on disk
     */
    CanLogAnswer take(InputStream in) throws IOException {
        ReadingLines text = new ReadingLines(in);
        try {
            while (text.next()) {
                lines++;
                if (text.isTooLong()) {
                    unreadable("It is far longer than a message can be.");
                } else {
                    take(new String(text.bytes(), 0, text.length(), StandardCharsets.ISO_8859_1).strip());
                }
            }
        } finally {
            flush();
        }
        return answer();
    }

    private void take(String line) {
        CanFrame frame;
        try {
            frame = CanFrame.of(line);
        } catch (CanFrame.Unreadable e) {
            unreadable(e.getMessage());
            return;
        }
        Optional<TireCondition> condition = TireCondition.of(frame);
        if (condition.isEmpty()) {
            others++;
            return;
        }
        messages++;
        from = Math.min(from, frame.at());
        to = Math.max(to, frame.at());
        heard.merge(condition.get().axle() << 4 | condition.get().place(), 1L, Long::sum);
        take(frame.at(), condition.get());
    }

    private void take(long at, TireCondition condition) {
        if (!condition.isMeasurement() && !condition.isFault()) {
            notMeasured++;
            return;
        }
        Optional<Position> position = condition.on(layout);
        if (position.isEmpty()) {
            reject("The vehicle has no wheel there: " + words(condition.axle(), condition.place()) + ".");
            return;
        }
        if (at < oldest || at > newest) {
            reject(
                    at < oldest
                            ? "It is older than readings are kept."
                            : "Its time lies in the future; the logger's clock is wrong.");
            return;
        }
        Optional<KnownSensor> sensor = sensorAt(position.get(), at);
        if (sensor.isEmpty()) {
            reject("No sensor sat at " + position.get().code() + " then. Fit one to it first, dated back.");
            return;
        }
        usable++;
        if (!isPreview) {
            keep(new IncomingReading(sensor.get().code(), reading(at, condition), null, null, lines));
        }
    }

    private static Reading reading(long at, TireCondition condition) {
        boolean isMeasured = condition.isMeasurement();
        return new Reading(
                at,
                isMeasured ? condition.pressureKpa() : Double.NaN,
                isMeasured ? Math.round(condition.temperatureC() * 1000) / 1000.0 : Double.NaN,
                null,
                null,
                null);
    }

    private Optional<KnownSensor> sensorAt(Position position, long at) {
        return stays
                .computeIfAbsent(position, wheel -> fleet.staysAt(vehicle, wheel, Long.MIN_VALUE, Long.MAX_VALUE))
                .stream()
                .filter(stay -> stay.from() <= at && at < stay.to())
                .findFirst()
                .flatMap(stay -> fleet.sensor(stay.sensor()));
    }

    private void keep(IncomingReading reading) {
        portion.add(reading);
        if (portion.size() >= PORTION || !place.hasRoomFor(portion.size())) {
            flush();
        }
    }

    private void flush() {
        if (portion.isEmpty()) {
            return;
        }
        List<IncomingReading> readings = List.copyOf(portion);
        portion.clear();
        tally = tally.plus(SingleWriter.await(inlet.accept(new Inlet.Batch(readings, hasBegun), receiver)));
        place.holdsNothing();
        hasBegun = true;
    }

    private void unreadable(String message) {
        unreadable++;
        fault(message);
    }

    private void reject(String message) {
        rejected++;
        fault(message);
    }

    private void fault(String message) {
        if (faults.size() < MOST_FAULTS) {
            faults.add(new CanLogAnswer.LineFault(lines, message));
        }
    }

    private static String words(int axle, int wheel) {
        return "axle " + (axle + 1) + ", number " + (wheel + 1) + " from the left";
    }

    private CanLogAnswer answer() {
        return new CanLogAnswer(
                isPreview,
                lines,
                messages,
                others,
                unreadable,
                faults,
                notMeasured,
                messages == 0 ? null : Instant.ofEpochMilli(from),
                messages == 0 ? null : Instant.ofEpochMilli(to),
                heard.entrySet().stream()
                        .map(entry -> wheel(entry.getKey() >> 4, entry.getKey() & 0xF, entry.getValue()))
                        .toList(),
                isPreview ? usable : tally.accepted(),
                tally.duplicates(),
                rejected + tally.rejectedTotal());
    }

    private CanLogAnswer.CanWheel wheel(int axle, int wheel, long count) {
        Optional<Position> position = new TireCondition(axle, wheel, 0, 0, 0, 0, false).on(layout);
        return new CanLogAnswer.CanWheel(
                axle + 1,
                wheel + 1,
                position.map(Position::code).orElse(null),
                position.flatMap(known -> sensorAt(known, to))
                        .map(KnownSensor::code)
                        .orElse(null),
                count);
    }
}
