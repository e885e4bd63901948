package vividcaravan.server.history;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.sensors.Doubt;
import vividcaravan.server.fleet.KnownSensor;

/**
 * Which of some readings were not borne out by the next and so were not judged; found again from what is kept, as the judge
 * found it when they came.
 */
final class Doubtful {

    /** So long before the first reading that is asked for one has to look to know what it followed. */
    static final long LOOK_BACK_MILLIS = 2 * BlockStore.HOUR_MILLIS;

    private static final double FIRST_STEP_KPA = 8;
    private static final double LEAST_STEP_KPA = 0.5;

    private final double targetKpa;
    private final Map<Long, OfSensor> sensors = new HashMap<>();
    private final Map<Long, Set<Long>> doubtful = new HashMap<>();

    /** What was seen of one sensor. */
    private static final class OfSensor {
        private final Doubt doubt = new Doubt();
        private double stepKpa = FIRST_STEP_KPA;
        private double previousKpa = Double.NaN;

        void learnStep(double kpa) {
            double step = Math.abs(kpa - previousKpa);
            stepKpa = step > 0.05 ? Math.max(LEAST_STEP_KPA, Math.min(stepKpa, step)) : stepKpa;
            previousKpa = kpa;
        }
    }

    /**
     * @param targetKpa the wheel's target, kPa gauge
     */
    Doubtful(double targetKpa) {
        this.targetKpa = targetKpa;
    }

    /** Takes in the next reading of a sensor, in the order of its time. */
    void take(KnownSensor sensor, Reading reading) {
        if (!reading.isMeasurement()) {
            return;
        }
        OfSensor seen = sensors.computeIfAbsent(sensor.id(), id -> new OfSensor());
        Set<Long> held = doubtful.computeIfAbsent(sensor.id(), id -> new HashSet<>());
        held.add(reading.at());
        seen.doubt.sure(reading, targetKpa, seen.stepKpa, Double.NaN).forEach(sure -> {
            seen.learnStep(sure.pressureKpa());
            held.remove(sure.at());
        });
    }

    /** Whether a reading of a sensor stands alone among those that were taken in. */
    boolean is(KnownSensor sensor, Reading reading) {
        return doubtful.getOrDefault(sensor.id(), Set.of()).contains(reading.at());
    }
}
