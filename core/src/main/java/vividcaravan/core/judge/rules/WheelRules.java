package vividcaravan.core.judge.rules;

import java.util.List;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.DutyProfile;

/**
 * What one wheel is held to.
 *
 * @param position the wheel
 * @param role the axle's role; null for a spare
 * @param limits target and limits
 * @param compensation of what its sensor reports, to 20 °C on a gauge in the air of the vehicle's depot
 * @param isFarm whether it is a farm tyre, whose small pressures need a floor for what counts as a fall
 * @param isLiftable whether its axle can be lifted
 * @param conduct what else sets its axle apart
 * @param adjustments when somebody set its pressure and wrote it down, the earliest first
 * @param arrivals when a tyre came to it and that was written down, epoch milliseconds, the earliest first
 */
public record WheelRules(
        Position position,
        AxleRole role,
        AxleLimits limits,
        TemperatureCompensation compensation,
        boolean isFarm,
        boolean isLiftable,
        AxleConduct conduct,
        List<Adjustment> adjustments,
        List<Long> arrivals) {

    /** The same for a sensor that makes this of the air. */
    WheelRules heardBy(TemperatureCompensation sensor) {
        return sensor == compensation
                ? this
                : new WheelRules(position, role, limits, sensor, isFarm, isLiftable, conduct, adjustments, arrivals);
    }

    /** What a gauge shows of a reading, kPa gauge: a target is meant there. */
    public double gaugeKpa(Reading reading) {
        return compensation.gaugeKpa(reading.pressureKpa());
    }

    /** Whether the limits are held against the pressure at 20 °C. */
    public boolean isCompensated() {
        return limits.policy().basis() == Basis.COMPENSATED && !conduct.isBallasted();
    }

    /** The pressure trends are read from: at 20 °C, or as it is where the gas law says nothing, kPa gauge. */
    public double trendKpa(Reading reading) {
        return conduct.isBallasted()
                ? gaugeKpa(reading)
                : compensation.compensateKpa(reading.pressureKpa(), reading.temperatureC());
    }

    /** Warning temperature of a sensor held like this, °C. */
    public double warmC(MountKind mount) {
        return isDutyOfRim(mount)
                ? conduct.duty().warmAtRimC()
                : limits.policy().temperatureC();
    }

    /** Stop temperature of a sensor held like this, °C. */
    public double stopC(MountKind mount) {
        return isDutyOfRim(mount)
                ? conduct.duty().stopAtRimC()
                : limits.policy().temperatureCriticalC();
    }

    private boolean isDutyOfRim(MountKind mount) {
        return conduct.duty() != DutyProfile.GENERAL
                && !conduct.hasOwnTemperatures()
                && mount != null
                && mount.isAtRim();
    }

    /** The latest recorded adjustment after {@code since} and not after {@code at}, or {@code since} if there is none. */
    public long latestAdjustment(long since, long at) {
        long latest = since;
        for (int i = 0; i < adjustments.size(); i++) {
            long time = adjustments.get(i).at();
            latest = time <= at ? Math.max(latest, time) : latest;
        }
        return latest;
    }

    /** The latest time not after {@code at} at which a tyre came here on record; far back without one. */
    public long latestArrival(long at) {
        long latest = Long.MIN_VALUE / 2;
        for (int i = 0; i < arrivals.size(); i++) {
            long time = arrivals.get(i);
            latest = time <= at ? Math.max(latest, time) : latest;
        }
        return latest;
    }

    /** Whether an adjustment was recorded so near to {@code at}. */
    public boolean isAdjustedNear(long at, long millis) {
        for (int i = 0; i < adjustments.size(); i++) {
            if (Math.abs(adjustments.get(i).at() - at) <= millis) {
                return true;
            }
        }
        return false;
    }

    /**
     * Whether the air that is missing at {@code at} was let out on record.
     *
     * @param gaugeKpa what the sensor shows, kPa gauge
     * @param trendKpa the same at 20 °C
     */
    public boolean isFallExplained(long at, double gaugeKpa, double trendKpa) {
        for (int i = 0; i < adjustments.size(); i++) {
            if (adjustments.get(i).explainsFall(at, gaugeKpa, trendKpa, limits.targetKpa())) {
                return true;
            }
        }
        return false;
    }
}
