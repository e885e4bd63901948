package vividcaravan.benchmarks;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividcaravan.benchmarks.Detection.Said;
import vividcaravan.benchmarks.Detection.Step;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.simulator.RandomFleet;
import vividcaravan.simulator.RandomFleet.Arrival;
import vividcaravan.simulator.RandomFleet.Planted;
import vividcaravan.simulator.RandomFleet.PlantedFault;

/**
 * A fault that was planted, what it did to the readings, and whether what was said of it is right.
 *
 * @param softAt when its wheel's gauge first showed 80 % of target, epoch milliseconds; null if it never did
 * @param lowAt when its wheel first had 90 % of its target at 20 °C, for good; null if it never did
 * @param heardAt the times of its wheel's readings, in the order in which they came in
 */
record PlantedCase(PlantedFault fault, Long softAt, Long lowAt, long[] heardAt) {

    private static final double SOFT = 0.8;
    private static final double LOW = 0.9;
    private static final double ATMOSPHERE_KPA = 101.325;
    private static final double ZERO_C = 273.15;
    private static final double REFERENCE_K = 293.15;
    private static final long HOUR_MILLIS = 3_600_000;
    /** What is said so long after a fault was put right is no longer of it. */
    private static final long AFTER_MILLIS = 12 * HOUR_MILLIS;

    private static final int WITHIN_READINGS = 3;
    /** So long an alert may carry a wrong name before the next evidence rights it. */
    private static final long WRONG_MILLIS = 2 * HOUR_MILLIS;

    static PlantedCase of(PlantedFault fault, RandomFleet.Vehicle vehicle, List<Arrival> arrivals) {
        double target = vehicle.wheels().stream()
                .filter(wheel -> wheel.position().equals(fault.position()))
                .findFirst()
                .orElseThrow()
                .targetKpa();
        List<Arrival> ofWheel = arrivals.stream()
                .filter(a ->
                        a.position().equals(fault.position()) && a.reading().at() >= fault.onset())
                .filter(a -> a.reading().pressureKpa() != null)
                .toList();
        return new PlantedCase(
                fault,
                first(ofWheel.stream().filter(a -> a.reading().pressureKpa() <= SOFT * target)),
                lowAt(ofWheel, LOW * target),
                ofWheel.stream().mapToLong(a -> a.reading().at()).distinct().toArray());
    }

    /** The first of three readings in a row. */
    private static Long lowAt(List<Arrival> ofWheel, double kpa) {
        int below = 0;
        for (Arrival arrival : ofWheel) {
            double kelvin = arrival.reading().temperatureC() + ZERO_C;
            double at20 = (arrival.reading().pressureKpa() + ATMOSPHERE_KPA) * REFERENCE_K / kelvin - ATMOSPHERE_KPA;
            below = at20 <= kpa ? below + 1 : 0;
            if (below == 3) {
                return arrival.reading().at();
            }
        }
        return null;
    }

    private static Long first(Stream<Arrival> arrivals) {
        return arrivals.map(a -> a.reading().at()).min(Long::compare).orElse(null);
    }

    private boolean isLeak() {
        return switch (fault.what()) {
            case SLOW_LEAK, MASKED_LEAK, SEEP, TOPPED_UP -> true;
            default -> false;
        };
    }

    /** What a person would call it. */
    private Set<AlertKind> names() {
        return switch (fault.what()) {
            case SLOW_LEAK, MASKED_LEAK, SEEP, TOPPED_UP -> Set.of(AlertKind.SLOW_LEAK, AlertKind.FAST_LEAK);
            case FAST_LEAK -> Set.of(AlertKind.FAST_LEAK);
            case DRAGGING_BRAKE, WARM_BEARING, SLOW_BEARING, BRAKE_ON_SOME_DAYS ->
                Set.of(AlertKind.HOT_WHEEL_END, AlertKind.HOT_TYRE);
            case OVER_FILLED -> Set.of(AlertKind.OVER_PRESSURE);
            case UNDER_FILLED, TWIN_MISMATCH -> Set.of(AlertKind.UNDER_PRESSURE, AlertKind.TWIN_MISMATCH);
            case DEAD_SENSOR -> Set.of(AlertKind.SENSOR_SILENT);
            case WEAK_BATTERY -> Set.of(AlertKind.SENSOR_BATTERY);
            case STUCK_SENSOR -> Set.of(AlertKind.SENSOR_FAULT);
            case EXCHANGED -> Set.of(AlertKind.SENSORS_CROSSED);
        };
    }

    /** What is true of it besides: a leak that is soft by now, or hot. */
    private boolean isTrueBesides(AlertKind kind) {
        boolean isOfItsAir = kind == AlertKind.UNDER_PRESSURE || kind == AlertKind.TWIN_MISMATCH;
        return switch (fault.what()) {
            case SLOW_LEAK, SEEP, TOPPED_UP -> isOfItsAir;
            case FAST_LEAK -> isOfItsAir || kind == AlertKind.SLOW_LEAK;
            case MASKED_LEAK -> isOfItsAir || kind.isHeat();
            case EXCHANGED -> kind.family() == AlertFamily.TYRE;
            default -> false;
        };
    }

    private Set<AlertFamily> families() {
        return Stream.concat(
                        names().stream().map(AlertKind::family),
                        fault.what() == Planted.EXCHANGED ? Stream.of(AlertFamily.TYRE) : Stream.empty())
                .collect(Collectors.toSet());
    }

    /** Whether what was said is about the fault: its wheel, a fitting family, while it was there. */
    boolean isOf(Said said) {
        return said.position() != null
                && (said.position().equals(fault.position()) || said.position().equals(fault.other()))
                && said.openedAt() >= fault.onset()
                && said.openedAt() <= fault.over() + AFTER_MILLIS
                && families().contains(said.kind().family());
    }

    /** When it was first called by its name, epoch milliseconds. */
    Optional<Long> namedAt(List<Said> said) {
        return said.stream()
                .filter(this::isOf)
                .flatMap(s -> s.steps().stream())
                .filter(step -> step.kind() != null && names().contains(step.kind()))
                .map(Step::at)
                .min(Long::compare);
    }

    /** Whether it was called by its name, and not for long by another that is not true of it. */
    boolean isNamed(List<Said> said) {
        long wrong =
                said.stream().filter(this::isOf).mapToLong(this::wrongMillis).sum();
        return namedAt(said).isPresent() && wrong <= WRONG_MILLIS;
    }

    private long wrongMillis(Said said) {
        long last = heardAt.length == 0 ? fault.onset() : heardAt[heardAt.length - 1];
        long wrong = 0;
        for (int i = 0; i < said.steps().size(); i++) {
            Step step = said.steps().get(i);
            long end = Math.min(
                    fault.over(),
                    i + 1 < said.steps().size() ? said.steps().get(i + 1).at() : last);
            boolean isWrong = step.kind() != null && !names().contains(step.kind()) && !isTrueBesides(step.kind());
            wrong += isWrong ? Math.max(0, end - step.at()) : 0;
        }
        return wrong;
    }

    /** When it reached the line before which it should have been named: a seep its first limit, another leak 80 % on the gauge. */
    Long lineAt() {
        return !isLeak() || fault.what() == Planted.TOPPED_UP ? null : fault.what() == Planted.SEEP ? lowAt : softAt;
    }

    /** Whether it is a fast leak that was not spoken of within three readings of its beginning. */
    boolean isLateFastLeak(List<Said> said) {
        return fault.what() == Planted.FAST_LEAK
                && said.stream().filter(this::isOf).mapToLong(Said::openedAt).min().stream()
                        .anyMatch(first -> readingsUntil(first) > WITHIN_READINGS);
    }

    /** How many readings of its wheel had come in since its onset when the one of {@code time} came: some come late. */
    long readingsUntil(long time) {
        long count = 0;
        for (long at : heardAt) {
            count++;
            if (at >= time) {
                return count;
            }
        }
        return count;
    }
}
