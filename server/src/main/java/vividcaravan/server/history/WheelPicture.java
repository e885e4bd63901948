package vividcaravan.server.history;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.air.PressureTrend;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.siblings.SiblingBand;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Rounded;
import vividcaravan.server.wheels.WheelChanges;

/** Draws a wheel against its siblings from what was kept of them. */
@Component
class WheelPicture {

    private static final int SLICES = 144;
    private static final int MOST_POINTS = 1_500;
    private static final int MOST_DOUBTFUL = 200;
    /** A longer picture is made of the means of hours, and a still longer one of days. */
    private static final Duration RAW_UP_TO = Duration.ofHours(73);

    private static final Duration HOURS_UP_TO = Duration.ofDays(62);
    /** The trend is that of the last hours only: what happened before may have been another story. */
    private static final long TREND_MILLIS = 3 * BlockStore.HOUR_MILLIS;

    private final WheelHistory history;
    private final WheelChanges changes;

    WheelPicture(WheelHistory history, WheelChanges changes) {
        this.history = history;
        this.changes = changes;
    }

    /** The picture of a wheel from {@code start} to {@code end}. */
    EvidenceChart of(FleetVehicle vehicle, Position wheel, Instant start, Instant end) {
        List<EvidenceChart.Point> doubtful = new ArrayList<>();
        List<EvidenceChart.Point> points = points(vehicle, wheel, start, end, doubtful);
        List<List<SiblingBand.Sample>> siblings = siblings(vehicle, wheel, start, end);
        double target = vehicle.rulesAt(wheel).limits().targetKpa();
        return new EvidenceChart(
                start,
                end,
                thinned(points),
                doubtful.size() <= MOST_DOUBTFUL ? doubtful : doubtful.subList(0, MOST_DOUBTFUL),
                band(siblings, target, start, end),
                siblings.size(),
                changes.of(vehicle, wheel, start, end),
                forecast(points, end, vehicle.rulesAt(wheel).limits().lowCriticalKpa()));
    }

    private static List<EvidenceChart.Band> band(
            List<List<SiblingBand.Sample>> siblings, double target, Instant start, Instant end) {
        return SiblingBand.of(siblings, target, start.toEpochMilli(), end.toEpochMilli(), SLICES).stream()
                .map(s -> new EvidenceChart.Band(
                        Instant.ofEpochMilli(s.at()),
                        Rounded.tenth(s.lowKpa()),
                        Rounded.tenth(s.highKpa()),
                        Rounded.tenth(s.celsius())))
                .toList();
    }

    private static EvidenceChart.@Nullable Forecast forecast(
            List<EvidenceChart.Point> points, Instant end, double criticalKpa) {
        List<PressureTrend.Sample> recent = points.stream()
                .filter(point -> point.at().toEpochMilli() >= end.toEpochMilli() - TREND_MILLIS)
                .map(point -> new PressureTrend.Sample(point.at().toEpochMilli(), point.pressureAt20Kpa()))
                .toList();
        return PressureTrend.of(recent)
                .map(trend -> new EvidenceChart.Forecast(
                        Instant.ofEpochMilli(trend.at()),
                        Rounded.tenth(trend.kpaAt20()),
                        Rounded.tenth(trend.kpaPerHour()),
                        criticalKpa,
                        Instant.ofEpochMilli(trend.reaches(criticalKpa)),
                        Instant.ofEpochMilli(trend.reachesAtTheEarliest(criticalKpa)),
                        Instant.ofEpochMilli(trend.reachesAtTheLatest(criticalKpa))))
                .orElse(null);
    }

    private List<EvidenceChart.Point> points(
            FleetVehicle vehicle, Position wheel, Instant start, Instant end, List<EvidenceChart.Point> doubtful) {
        return Duration.between(start, end).compareTo(RAW_UP_TO) <= 0
                ? readings(vehicle, wheel, start, end, doubtful)
                : means(vehicle, wheel, start, end);
    }

    private List<EvidenceChart.Point> means(FleetVehicle vehicle, Position wheel, Instant start, Instant end) {
        long hours = Duration.between(start, end).compareTo(HOURS_UP_TO) <= 0 ? 1 : SummaryStore.HOURS_OF_DAY;
        Map<Long, HourSummary> sums = new TreeMap<>();
        history.eachHour(
                vehicle,
                wheel,
                start.toEpochMilli(),
                end.toEpochMilli() + 1,
                (sensor, hour) -> sums.merge(hour.hour() / hours, hour, HourSummary::plus));
        List<EvidenceChart.Point> points = new ArrayList<>();
        double toGauge = vehicle.sensorAt(wheel)
                .map(sensor -> vehicle.compensation(sensor).gaugeKpa(0))
                .orElse(0.0);
        sums.forEach((slot, sum) -> points.add(new EvidenceChart.Point(
                Instant.ofEpochMilli(slot * hours * BlockStore.HOUR_MILLIS + hours * BlockStore.HOUR_MILLIS / 2),
                Rounded.tenth(sum.gauge().mean(sum.count()) + toGauge),
                Rounded.tenth(sum.at20().mean(sum.count())),
                Rounded.tenth(sum.celsius().mean(sum.count())))));
        return points;
    }

    /** The readings that count, and in {@code apart} those that no neighbour bore out. */
    private List<EvidenceChart.Point> readings(
            FleetVehicle vehicle, Position wheel, Instant start, Instant end, List<EvidenceChart.Point> apart) {
        Doubtful doubtful = new Doubtful(vehicle.rulesAt(wheel).limits().targetKpa());
        List<Found> found = new ArrayList<>();
        history.each(
                vehicle,
                wheel,
                start.toEpochMilli(),
                end.toEpochMilli() + 1,
                (sensor, reading) -> {
                    if (reading.isMeasurement()) {
                        doubtful.take(sensor, reading);
                        found.add(new Found(sensor, reading));
                    }
                },
                () -> false);
        List<EvidenceChart.Point> points = new ArrayList<>(found.size());
        for (Found one : found) {
            (doubtful.is(one.sensor(), one.reading()) ? apart : points).add(point(vehicle, one));
        }
        return points;
    }

    private static EvidenceChart.Point point(FleetVehicle vehicle, Found found) {
        TemperatureCompensation air = vehicle.compensation(found.sensor());
        Reading reading = found.reading();
        return new EvidenceChart.Point(
                Instant.ofEpochMilli(reading.at()),
                Rounded.tenth(air.gaugeKpa(reading.pressureKpa())),
                Rounded.tenth(air.compensateKpa(reading.pressureKpa(), reading.temperatureC())),
                reading.temperatureC());
    }

    /** A reading that was kept, with its sensor. */
    private record Found(KnownSensor sensor, Reading reading) {}

    private List<List<SiblingBand.Sample>> siblings(FleetVehicle vehicle, Position wheel, Instant start, Instant end) {
        List<List<SiblingBand.Sample>> siblings = new ArrayList<>();
        for (Position other : vehicle.description().layout().positions()) {
            if (other.equals(wheel) || other.isSpare()) {
                continue;
            }
            double target = vehicle.rulesAt(other).limits().targetKpa();
            List<SiblingBand.Sample> samples = new ArrayList<>();
            for (EvidenceChart.Point point : points(vehicle, other, start, end, new ArrayList<>())) {
                samples.add(new SiblingBand.Sample(
                        point.at().toEpochMilli(), point.pressureAt20Kpa() / target, point.temperatureC()));
            }
            if (!samples.isEmpty()) {
                siblings.add(samples);
            }
        }
        return siblings;
    }

    /** Every n-th reading and the last: a picture is no wider than this many. */
    private static List<EvidenceChart.Point> thinned(List<EvidenceChart.Point> points) {
        if (points.size() <= MOST_POINTS) {
            return points;
        }
        int step = (points.size() + MOST_POINTS - 1) / MOST_POINTS;
        List<EvidenceChart.Point> some = new ArrayList<>();
        for (int i = (points.size() - 1) % step; i < points.size(); i += step) {
            some.add(points.get(i));
        }
        return some;
    }
}
