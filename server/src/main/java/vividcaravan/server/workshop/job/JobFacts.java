package vividcaravan.server.workshop.job;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.GaugeComparison;
import vividcaravan.core.fitting.Hearing;
import vividcaravan.core.fitting.PairingCheck;
import vividcaravan.core.fitting.PairingDoubt;
import vividcaravan.core.fitting.PositionProof;
import vividcaravan.core.fitting.SensorCode;
import vividcaravan.core.fitting.WheelProof;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.ingest.Strangers;

/** What readings say of a job: what was heard, what agrees, what is proved. */
@Component
class JobFacts {

    /** What was heard so lately may be standing beside the technician. */
    static final long LATELY_MILLIS = 15L * 60 * 1000;

    /** Messages are counted over at most so long. */
    private static final long COUNTED_MILLIS = 30L * 60 * 1000;
    /** Air that was set on is looked for so long. */
    private static final long PROOF_MILLIS = 20L * 60 * 1000;
    /** What a sensor said so near to an act was said of the same air. */
    private static final long BESIDE_MILLIS = 10L * 60 * 1000;

    private final FleetDirectory fleet;
    private final BlockStore blocks;
    private final Strangers strangers;
    private final Clock clock;

    JobFacts(FleetDirectory fleet, BlockStore blocks, Strangers strangers, Clock clock) {
        this.fleet = fleet;
        this.blocks = blocks;
        this.strangers = strangers;
        this.clock = clock;
    }

    /** Messages of one wheel's sensor since it was taken. */
    record Reception(long received, long expected) {}

    /** How many messages came of each wheel's sensor since it was taken, and how many should have. */
    Map<Position, Reception> receptions(FitOutJob job) {
        Map<Position, List<Long>> heardAt = new LinkedHashMap<>();
        long now = clock.millis();
        for (Position position : job.walk()) {
            sensor(job, position).ifPresent(sensor -> {
                long since =
                        Math.max(job.pairedAt(position).orElse(job.openedAt()).toEpochMilli(), now - COUNTED_MILLIS);
                List<Long> times = new ArrayList<>();
                blocks.read(
                        sensor.id(),
                        since,
                        now + 1,
                        entry -> times.add(entry.reading().at()),
                        () -> false);
                heardAt.put(position, times);
            });
        }
        List<Long> gaps = new ArrayList<>();
        heardAt.values().forEach(times -> {
            for (int i = 1; i < times.size(); i++) {
                gaps.add(times.get(i) - times.get(i - 1));
            }
        });
        Collections.sort(gaps);
        long usual = gaps.isEmpty() ? 0 : gaps.get(gaps.size() / 4);
        // All of them sleep together, so nothing is expected after the last word of any.
        long last = heardAt.values().stream()
                .flatMap(List::stream)
                .mapToLong(at -> at)
                .max()
                .orElse(now);
        Map<Position, Reception> receptions = new HashMap<>();
        heardAt.forEach((position, times) -> {
            long received = times.size();
            long expected = usual <= 0 || times.isEmpty() ? received : (last - times.get(0)) / usual + 1;
            receptions.put(position, new Reception(received, Math.max(received, expected)));
        });
        return receptions;
    }

    /** The sensor that was taken for a wheel. */
    Optional<KnownSensor> sensor(FitOutJob job, Position position) {
        return job.code(position).flatMap(fleet::sensor);
    }

    /** The newest reading of a wheel's sensor since it was taken. */
    Optional<Reading> newest(FitOutJob job, Position position) {
        return sensor(job, position)
                .map(KnownSensor::newest)
                .filter(reading -> reading.at()
                        >= job.pairedAt(position).orElse(job.openedAt()).toEpochMilli() - LATELY_MILLIS);
    }

    /** Whether a wheel's sensor is heard, and what its quiet means; empty without a sensor. */
    Optional<Hearing> hearing(FitOutJob job, Position position) {
        if (job.code(position).isEmpty()) {
            return Optional.empty();
        }
        List<Long> others = new ArrayList<>();
        for (Position other : job.walk()) {
            if (!other.equals(position) && !other.isSpare() && job.code(other).isPresent()) {
                others.add(newest(job, other).map(Reading::at).orElse(null));
            }
        }
        boolean mayRest = position.isSpare()
                || job.vehicle().description().layout().axle(position.axle()).liftable();
        return Optional.of(Hearing.of(
                newest(job, position).map(Reading::at).orElse(null),
                job.pairedAt(position).orElse(job.openedAt()).toEpochMilli(),
                others,
                mayRest,
                clock.millis()));
    }

    private double at20(FitOutJob job, Position position, Reading reading) {
        return reading.isMeasurement()
                ? air(job, position).compensateKpa(reading.pressureKpa(), reading.temperatureC())
                : Double.NaN;
    }

    /** Pressures at 20 °C of all wheels that were heard, kPa gauge, by position. */
    Map<String, Double> pressuresAt20(FitOutJob job) {
        Map<String, Double> pressures = new LinkedHashMap<>();
        for (Position position : job.walk()) {
            newest(job, position)
                    .map(reading -> at20(job, position, reading))
                    .filter(Double::isFinite)
                    .ifPresent(kpa -> pressures.put(position.code(), kpa));
        }
        return pressures;
    }

    /** What followed from the air that was set on at a wheel; empty if none was, or too long ago. */
    Optional<PositionProof> proof(FitOutJob job, Position position) {
        Optional<JobEntry<Said.AirSet>> air = job.at(position, Said.AirSet.class);
        if (air.isEmpty() || clock.millis() - air.get().at().toEpochMilli() > PROOF_MILLIS) {
            return Optional.empty();
        }
        Map<String, Double> before = air.get().data().before();
        Map<Position, PositionProof.Change> changes = new HashMap<>();
        for (Position other : job.walk()) {
            Double was = before == null ? null : before.get(other.code());
            newest(job, other)
                    .filter(reading ->
                            was != null && reading.at() >= air.get().at().toEpochMilli())
                    .ifPresent(reading -> changes.put(other, new PositionProof.Change(was, at20(job, other, reading))));
        }
        return Optional.of(PositionProof.of(position, changes, isFarm(job.vehicle())));
    }

    static boolean isFarm(FleetVehicle vehicle) {
        return vehicle.description().kind() == VehicleKind.FARM_TRACTOR
                || vehicle.description().kind() == VehicleKind.IMPLEMENT;
    }

    /** The hand gauge beside the sensor; empty if it was not read or the sensor said nothing yet. */
    Optional<GaugeComparison> gauge(FitOutJob job, Position position, double toleranceKpa) {
        Optional<JobEntry<Said.Gauged>> entry = job.at(position, Said.Gauged.class);
        Optional<Double> gauge = entry.map(gauged -> gauged.data().gaugeKpa());
        Optional<Reading> reading =
                entry.flatMap(gauged -> beside(job, position, gauged.at().toEpochMilli()));
        if (gauge.isEmpty() || reading.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(
                GaugeComparison.of(reading.get().pressureKpa(), air(job, position), gauge.get(), toleranceKpa));
    }

    /** What the sensor that is to sit at a wheel makes of the air at the vehicle's depot. */
    private TemperatureCompensation air(FitOutJob job, Position position) {
        MountKind mount = sensor(job, position).flatMap(KnownSensor::mount).orElse(null);
        return job.vehicle().snapshot().air().of(mount);
    }

    /**
     * What a wheel's sensor said when something was done there: its last word before, or its first after. What it says later
     * may be of other air.
     */
    private Optional<Reading> beside(FitOutJob job, Position position, long at) {
        Reading[] found = {null};
        sensor(job, position)
                .ifPresent(sensor -> blocks.read(
                        sensor.id(),
                        at - BESIDE_MILLIS,
                        at + BESIDE_MILLIS,
                        stored -> {
                            Reading reading = stored.reading();
                            boolean isFirst = found[0] == null;
                            boolean isNearerBefore = reading.at() <= at;
                            if (reading.isMeasurement() && (isFirst || isNearerBefore)) {
                                found[0] = reading;
                            }
                        },
                        () -> false));
        return found[0] == null ? newest(job, position).filter(Reading::isMeasurement) : Optional.of(found[0]);
    }

    /** What has been shown of a wheel. */
    WheelProof wheel(FitOutJob job, Position position, Reception reception, double toleranceKpa) {
        return new WheelProof(
                job.at(position, Said.Inspected.class).isPresent(),
                job.code(position).isPresent(),
                job.at(position, Said.LeftOut.class)
                        .map(entry -> entry.data().reason())
                        .orElse(null),
                newest(job, position).isPresent(),
                reception == null ? 0 : reception.received(),
                reception == null ? 0 : reception.expected(),
                gauge(job, position, toleranceKpa).orElse(null),
                job.at(position, Said.Proved.class).isPresent(),
                position.isSpare());
    }

    /** What is still missing of a wheel, in words; a wheel that somebody answers for misses nothing. */
    List<String> missing(FitOutJob job, Position position, WheelProof proof) {
        boolean isAnsweredFor =
                proof.isPaired() && job.at(position, Said.TakenAsProven.class).isPresent();
        return isAnsweredFor ? List.of() : proof.missing();
    }

    /** What a pairing is looked at with. */
    PairingCheck pairingCheck(FitOutJob job) {
        Map<String, PairingCheck.Heard> heard = new HashMap<>();
        long since = clock.millis() - LATELY_MILLIS;
        for (Strangers.Stranger stranger : strangers.heardSince(since)) {
            heard.put(
                    stranger.code(),
                    new PairingCheck.Heard(stranger.code(), stranger.newest().rssiDbm(), false));
        }
        for (KnownSensor sensor : fleet.sensors()) {
            Reading newest = sensor.newest();
            if (newest != null && newest.at() >= since) {
                heard.put(sensor.code(), new PairingCheck.Heard(sensor.code(), newest.rssiDbm(), true));
            }
        }
        return new PairingCheck(
                job.walk(), job.paired(), job.leftOut(), job.mount().orElse(null), heard);
    }

    /** What is known of a sensor; empty for one that is not ours. */
    Optional<PairingCheck.Known> known(FitOutJob job, String code) {
        return fleet.sensor(code).map(sensor -> {
            Optional<Fitting> stay = sensor.fittingAt(Fitting.OPEN - 1);
            boolean isHere =
                    stay.isPresent() && stay.get().vehicle() == job.vehicle().id();
            String place = stay.map(now -> now.position().code() + " of "
                            + fleet.vehicle(now.vehicle())
                                    .orElseThrow()
                                    .description()
                                    .ref())
                    .orElse(null);
            return new PairingCheck.Known(
                    place,
                    isHere,
                    isHere ? stay.get().position() : null,
                    sensor.mount().orElse(null),
                    sensor.retiredBecause().isPresent());
        });
    }

    /** What speaks against taking a sensor for a wheel. */
    List<PairingDoubt> doubts(FitOutJob job, Position position, SensorCode code) {
        return pairingCheck(job).doubts(position, code, code.isCode() ? known(job, code.code()) : Optional.empty());
    }
}
