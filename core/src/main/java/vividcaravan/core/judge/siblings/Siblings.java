package vividcaravan.core.judge.siblings;

import java.util.List;
import vividcaravan.core.alert.Others;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.VehicleRules;

/**
 * What the other wheels of the vehicle show around one reading: those heard lately, spares apart. One walk over them for
 * what every reading asks for; the rest when it is asked for. NaN where nothing was heard.
 */
public final class Siblings {

    private static final int WHEELS_OF_AXLE = 4;
    private static final int MOST = Position.MOST_AXLES * WHEELS_OF_AXLE;
    /** So many wheels say what others are like. */
    private static final int LEAST_TO_COMPARE = 2;

    /** A low sun warms what is outside on one side, °C [our judgement]. */
    private static final double SUN_C = 4;

    private final List<? extends Neighbour> wheels;
    private final double[] ratios = new double[MOST];
    private final double[] temperatures = new double[MOST];
    private final double[] airTemperatures = new double[MOST];
    private VehicleRules rules;
    private Position own;
    private long at;
    private int count;
    private double ratio;
    private double celsius;
    private double airCelsius;
    private double coolestC;
    private Neighbour mate;
    private boolean isStanding;
    private boolean isMovementKnown;

    /**
     * @param wheels every wheel of the vehicle that was heard
     */
    public Siblings(List<? extends Neighbour> wheels) {
        this.wheels = wheels;
    }

    /** Looks around from wheel {@code position} at {@code time}. */
    public void look(Position position, long time, Movement movement, VehicleRules vehicleRules) {
        own = position;
        at = time;
        isStanding = movement.isStanding(time);
        isMovementKnown = movement.isKnown(time);
        rules = vehicleRules;
        mate = null;
        coolestC = Double.MAX_VALUE;
        int n = 0;
        int known = 0;
        for (int i = 0; i < wheels.size() && !position.isSpare(); i++) {
            Neighbour wheel = wheels.get(i);
            if (isSibling(wheel)) {
                ratios[n] = wheel.common();
                temperatures[n] = wheel.celsius();
                coolestC = Math.min(coolestC, wheel.celsius());
                n++;
                if (!Double.isNaN(wheel.airCelsius())) {
                    airTemperatures[known++] = wheel.airCelsius();
                }
                mate = wheel.position().isTwinOf(position) ? wheel : mate;
            }
        }
        count = n;
        ratio = median(ratios, n);
        celsius = median(temperatures, n);
        airCelsius = median(airTemperatures, known);
    }

    private boolean isSibling(Neighbour wheel) {
        return wheel.isHeardLately(at)
                && !wheel.position().isSpare()
                && !wheel.position().equals(own);
    }

    /** Whether any sibling was heard lately. */
    public boolean areHeard() {
        return count > 0;
    }

    /** How many were. */
    public int count() {
        return count;
    }

    /** What all have in common: the middle one's pressure at 20 °C over its target, freed of its own level. */
    public double ratio() {
        return ratio;
    }

    /** What the middle one's sensor shows, °C. */
    public double celsius() {
        return celsius;
    }

    /** How warm the air in the middle one is, °C. */
    public double airCelsius() {
        return airCelsius;
    }

    /** What the coolest one's sensor shows, °C. */
    public double coolestC() {
        return coolestC;
    }

    /** The twin, or null without one. */
    public Neighbour mate() {
        return mate;
    }

    /** Whether a sensor of the vehicle said lately that it stands, and none since that it moves. */
    public boolean isStanding() {
        return isStanding;
    }

    /** Whether a sensor of the vehicle said lately that it moves, and none since that it stands. */
    public boolean isMoving() {
        return isMovementKnown && !isStanding;
    }

    /** The middle one of the other axles, °C; axles that may be lifted do not count. */
    public double otherAxlesC() {
        int n = 0;
        for (Neighbour wheel : wheels) {
            boolean isOther = isSibling(wheel)
                    && wheel.position().axle() != own.axle()
                    && !rules.at(wheel.position()).orElseThrow().isLiftable();
            if (isOther) {
                temperatures[n++] = wheel.celsius();
            }
        }
        return n < LEAST_TO_COMPARE ? Double.NaN : median(temperatures, n);
    }

    /** The other end of the same axle, °C. */
    public double acrossC() {
        int n = 0;
        for (Neighbour wheel : wheels) {
            boolean isAcross = isSibling(wheel)
                    && wheel.position().axle() == own.axle()
                    && wheel.position().side() != own.side();
            if (isAcross) {
                temperatures[n++] = wheel.celsius();
            }
        }
        return median(temperatures, n);
    }

    /** The middle one's gauge over its target. */
    public double gauge() {
        int n = 0;
        for (Neighbour wheel : wheels) {
            if (isSibling(wheel)) {
                temperatures[n++] = wheel.gauge();
            }
        }
        return median(temperatures, n);
    }

    /** Whether the sun may be on this side: the vehicle may stand, and the sensors of one side are warmer than the others. */
    public boolean maySunShine() {
        return isStanding || !isMovementKnown && sideC(true) - sideC(false) >= SUN_C;
    }

    /** The middle one of this wheel's side, or of the other, °C. */
    private double sideC(boolean isOwn) {
        int n = 0;
        for (Neighbour wheel : wheels) {
            if (isSibling(wheel) && (wheel.position().side() == own.side()) == isOwn) {
                temperatures[n++] = wheel.celsius();
            }
        }
        return median(temperatures, n);
    }

    /** What the middle one's cell gave, mV; NaN where fewer than two said. */
    public double middleBatteryMv() {
        int n = 0;
        for (Neighbour wheel : wheels) {
            double mv = wheel.batteryMv();
            if (isSibling(wheel) && !Double.isNaN(mv)) {
                ratios[n++] = mv;
            }
        }
        return n < LEAST_TO_COMPARE ? Double.NaN : median(ratios, n);
    }

    /** Whether others of the vehicle warmed as driving warms tyres: two of them, or the only one. */
    public boolean haveWarmedByDriving() {
        int n = 0;
        for (Neighbour wheel : wheels) {
            n += isSibling(wheel) && wheel.hasWarmedByDriving() ? 1 : 0;
        }
        return n > 0 && n >= Math.min(LEAST_TO_COMPARE, count);
    }

    /** The same for people who want to know why. */
    public Others facts() {
        if (!areHeard()) {
            return Others.NONE;
        }
        double loss = 0;
        int n = 0;
        for (Neighbour wheel : wheels) {
            if (isSibling(wheel)) {
                double target =
                        rules.at(wheel.position()).orElseThrow().limits().targetKpa();
                loss = Math.max(loss, wheel.lossPerHour() * target);
                ratios[n++] = wheel.ratio();
            }
        }
        double targetOfAxle = rules.at(own).orElseThrow().limits().targetKpa();
        return new Others(
                count,
                celsius,
                orNull(acrossC()),
                mate == null ? null : mate.celsius(),
                mate == null ? null : mate.ratio() * targetOfAxle,
                loss,
                median(ratios, n) - 1);
    }

    private static Double orNull(double value) {
        return Double.isNaN(value) ? null : value;
    }

    /** The middle of the first {@code n} of {@code values}, which are sorted on the way; NaN of none. */
    static double median(double[] values, int n) {
        if (n == 0) {
            return Double.NaN;
        }
        for (int i = 1; i < n; i++) {
            double value = values[i];
            int j = i - 1;
            while (j >= 0 && values[j] > value) {
                values[j + 1] = values[j];
                j--;
            }
            values[j + 1] = value;
        }
        return n % 2 == 1 ? values[n / 2] : (values[n / 2 - 1] + values[n / 2]) / 2;
    }
}
