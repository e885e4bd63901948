package vividcaravan.core.judge.air;

import vividcaravan.core.judge.memory.Memory;

/**
 * What a healthy wheel shows when its siblings show something: its pressure ratio is {@code level + slope · (siblings − 1)}.
 * Filling gives the level; how a sensor outside, or a hotter axle, answers to running gives the slope. Both are learned
 * from the wheel's own readings by recursive least squares, a Kalman filter of two numbers [common practice].
 */
final class Baseline {

    /** Noise of one reading, as a share of target. */
    private static final double NOISE = 0.006;

    private static final double FIRST_LEVEL_SPREAD = 0.05;
    private static final double FIRST_SLOPE_SPREAD = 0.25;
    /** How far the level may wander by itself within an hour: valves and diffusion, as a share of target. */
    private static final double WANDER_PER_SQRT_HOUR = 0.0004;

    /** Below this the siblings have lost air together, as a share of target: cold makes no so much. */
    static final double COMMON_LOSS = -0.03;

    private static final double HOUR_MILLIS = 3_600_000;

    private double level = 1;
    private double slope = 1;
    private double varLevel;
    private double varSlope;
    private double cov;
    private int learned;
    private long at;

    Baseline() {
        begin();
    }

    /** Forgets the level, keeps the slope: the wheel was filled anew. */
    void begin() {
        varLevel = FIRST_LEVEL_SPREAD * FIRST_LEVEL_SPREAD;
        varSlope = learned == 0 ? FIRST_SLOPE_SPREAD * FIRST_SLOPE_SPREAD : varSlope;
        cov = 0;
        learned = 0;
    }

    int learned() {
        return learned;
    }

    /** What the wheel should show, over its target. */
    double expected(double siblings) {
        double heat = Math.max(siblings - 1, 0);
        // What all have lost together is no heat, and this one is to have lost it too.
        return level + slope * heat + (siblings - 1 - heat);
    }

    /** A ratio freed of the wheel's own level: what is left is heat, or a fault. */
    double common(double ratio) {
        return 1 + ratio - level;
    }

    /** The wheel's own level when its siblings are at target. */
    double level() {
        return level;
    }

    /** Learns from a reading of a healthy wheel. */
    void learn(long time, double ratio, double siblings) {
        double hours = learned == 0 ? 0 : Math.max(0, (time - at) / HOUR_MILLIS);
        at = time;
        varLevel += WANDER_PER_SQRT_HOUR * WANDER_PER_SQRT_HOUR * hours;
        double x = Math.max(siblings - 1, 0);
        double error = ratio - expected(siblings);
        double gainOfLevel = varLevel + cov * x;
        double gainOfSlope = cov + varSlope * x;
        double total = gainOfLevel + gainOfSlope * x + NOISE * NOISE;
        level += gainOfLevel / total * error;
        slope += gainOfSlope / total * error;
        double oldCov = cov;
        varLevel -= gainOfLevel * gainOfLevel / total;
        cov -= gainOfLevel * gainOfSlope / total;
        varSlope -= (oldCov + varSlope * x) * gainOfSlope / total;
        slope = Math.max(0, Math.min(2, slope));
        learned = Math.min(learned + 1, 1_000_000);
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        level = memory.figure("level", level);
        slope = memory.figure("slope", slope);
        varLevel = memory.figure("varLevel", varLevel);
        varSlope = memory.figure("varSlope", varSlope);
        cov = memory.figure("cov", cov);
        learned = memory.count("learned", learned);
        at = memory.time("at", at);
    }
}
