package vividcaravan.core.judge;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.core.judge.rules.AxleConduct;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.TyreArrival;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.units.AbsolutePressure;

/**
 * A truck made of physics and nothing of the judge's: air at constant volume in each tyre, tyres that warm towards what the
 * road makes of them with a time constant of half an hour, sensors with a step of 4 kPa and 1 °C that report once a minute.
 */
final class TruckOnTheRoad {

    static final double TARGET = 800;
    private static final double AMBIENT = 101.325;
    private static final double WARMING_MINUTES = 32;
    private static final double STEP_KPA = 4;
    private static final long MINUTE = 60_000;
    private static final double HOURS_ON_THE_ROAD = 9;
    private static final double HOURS_OF_DAY = 24;

    static final class Tyre {
        final Position position;
        /** Gauge pressure at 20 °C, kPa. */
        double kpaAt20;

        double celsius = 10;
        double lossPerHour;
        double hotterBy;
        boolean isQuiet;
        /** How often its sensor was replaced. */
        int sensors;
        /** Says again and again what it said when it got stuck. */
        boolean isStuck;

        double stuckKpa = Double.NaN;
        double stuckC;
        /** Lies outside its tyre: the air's warmth, a pressure that stays. */
        boolean isLoose;
        /** Whose air the sensor in this tyre is believed to tell of. */
        String believedAt;
        /** How much the sun warms a cap, and not the air. */
        double sunC;
        /** How much the rim, where the sensor sits, is hotter than the air in the tyre. */
        double rimC;

        Tyre(Position position, double kpaAt20) {
            this.position = position;
            this.kpaAt20 = kpaAt20;
            this.believedAt = position.code();
        }

        double gauge() {
            return (kpaAt20 + AMBIENT) * (celsius + 273.15) / 293.15 - AMBIENT;
        }
    }

    private final Map<String, Tyre> tyres = new LinkedHashMap<>();
    private final SplittableRandom random = new SplittableRandom(20261126);
    private final AlertBook book;
    private final AxleLayout layout;
    private final MountKind mount;
    private final List<Adjustment> adjustments = new ArrayList<>();
    private final List<TyreArrival> arrivals = new ArrayList<>();
    private VehicleRules rules;
    private VehicleJudge judge;
    double airC = 10;
    double runningRiseC = 24;
    Boolean moving = true;
    long now = JudgedWheel.BEGIN;

    TruckOnTheRoad(MountKind mount, boolean hasLift) {
        this.mount = mount;
        List<Axle> axles = new ArrayList<>(List.of(
                new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)));
        if (hasLift) {
            axles.add(new Axle(AxleRole.LIFT, WheelArrangement.SINGLE, true));
        }
        layout = new AxleLayout(axles, 0);
        rules = rules(DutyProfile.GENERAL, TARGET, false, false);
        judge = new VehicleJudge(rules);
        long[] ids = {0};
        book = new AlertBook(() -> ++ids[0]);
        for (Position position : layout.positions()) {
            // Nobody fills to the last kPa.
            tyres.put(position.code(), new Tyre(position, TARGET * (0.985 + 0.03 * random.nextDouble())));
        }
    }

    static TruckOnTheRoad withSensorsInside() {
        return new TruckOnTheRoad(MountKind.STRAP, false);
    }

    Tyre tyre(String position) {
        return tyres.get(position);
    }

    private VehicleRules rules(DutyProfile duty, double target, boolean isBallasted, boolean isSelfInflating) {
        return new VehicleRules(
                VehicleKind.RIGID_TRUCK,
                layout,
                layout.axles().stream()
                        .map(axle -> new AxleLimits(
                                target, duty.over(LimitPolicy.DEFAULT, axle.wheels() == WheelArrangement.TWIN)))
                        .toList(),
                layout.axles().stream()
                        .map(axle -> new AxleConduct(duty, false, isBallasted, isSelfInflating))
                        .toList(),
                new SensorAir(AbsolutePressure.STANDARD_ATMOSPHERE, Set.of()),
                adjustments,
                arrivals);
    }

    private TruckOnTheRoad holdTo(VehicleRules newRules) {
        rules = newRules;
        judge.holdTo(rules);
        return this;
    }

    TruckOnTheRoad onDuty(DutyProfile duty) {
        return holdTo(rules(duty, TARGET, false, false));
    }

    TruckOnTheRoad withTarget(double target) {
        return holdTo(rules(DutyProfile.GENERAL, target, false, false));
    }

    TruckOnTheRoad inflatingItself() {
        return holdTo(rules(DutyProfile.GENERAL, TARGET, false, true));
    }

    TruckOnTheRoad ballasted() {
        return holdTo(rules(DutyProfile.GENERAL, TARGET, true, false));
    }

    /** Somebody writes down that the pressure of {@code position} was set just now. */
    TruckOnTheRoad record(String position) {
        return record(position, null, null);
    }

    /** Somebody writes down what the gauge showed before and after, kPa. */
    TruckOnTheRoad record(String position, Double beforeKpa, Double afterKpa) {
        adjustments.add(new Adjustment(Position.parse(position), now, beforeKpa, afterKpa));
        return holdTo(rules(DutyProfile.GENERAL, TARGET, false, false));
    }

    /** The record says that a sensor sits at every wheel. */
    TruckOnTheRoad expectAll() {
        tyres.values()
                .forEach(tyre ->
                        judge.expect(new Fitting(tyre.position.code().hashCode(), 1, tyre.position, 0, Fitting.OPEN)));
        return this;
    }

    /** A tyre with another sensor in it was put on, and the record says so. */
    Tyre fitAnew(String position) {
        Tyre tyre = tyre(position);
        int before = tyre.position.code().hashCode() + tyre.sensors;
        judge.expect(new Fitting(before, 1, tyre.position, 0, now));
        tyre.sensors++;
        judge.expect(new Fitting(before + 1, 1, tyre.position, now, Fitting.OPEN));
        return tyre;
    }

    /** The clock asks after the receiver. */
    TruckOnTheRoad tick(double quietMinutes) {
        if (judge.isReceiverQuiet(now, Math.round(quietMinutes * MINUTE))) {
            judge.receiverFellSilent(now, book::apply);
        }
        return this;
    }

    /** Time passes, and every sensor that is not quiet reports each minute. */
    TruckOnTheRoad drive(double hours) {
        for (int minute = 0; minute < hours * 60; minute++) {
            now += MINUTE;
            int second = 0;
            for (Tyre tyre : tyres.values()) {
                pass(tyre);
                second += 2;
                if (!tyre.isQuiet) {
                    report(tyre, now + second * 1000L);
                }
            }
        }
        return this;
    }

    /** The same without a word from anyone. */
    TruckOnTheRoad rest(double hours) {
        double rise = runningRiseC;
        runningRiseC = 0;
        for (int minute = 0; minute < hours * 60; minute++) {
            now += MINUTE;
            tyres.values().forEach(this::pass);
        }
        runningRiseC = rise;
        return this;
    }

    /** Days as most vehicles live them: nine hours on the road, the rest of them asleep. */
    TruckOnTheRoad live(int days) {
        for (int day = 0; day < days; day++) {
            drive(HOURS_ON_THE_ROAD);
            rest(HOURS_OF_DAY - HOURS_ON_THE_ROAD);
        }
        return this;
    }

    private void pass(Tyre tyre) {
        tyre.kpaAt20 = Math.max(0, tyre.kpaAt20 - tyre.lossPerHour / 60);
        double drawnTo = airC + runningRiseC + tyre.hotterBy;
        tyre.celsius += (drawnTo - tyre.celsius) / WARMING_MINUTES;
    }

    private void report(Tyre tyre, long at) {
        double noise = random.nextDouble() * 2 - 1;
        double gauge = tyre.isLoose ? tyre.kpaAt20 : tyre.gauge();
        double kpa = Math.round((gauge + noise) / STEP_KPA) * STEP_KPA;
        // Outside, a third of the heat.
        double shown = mount == MountKind.CAP ? airC + (tyre.celsius - airC) / 3 + tyre.sunC : tyre.celsius + tyre.rimC;
        double celsius = Math.round(tyre.isLoose ? airC : shown);
        if (!tyre.isStuck || Double.isNaN(tyre.stuckKpa)) {
            tyre.stuckKpa = kpa;
            tyre.stuckC = celsius;
        }
        Reading reading = new Reading(at, tyre.stuckKpa, tyre.stuckC, 2950, -80, moving);
        Position believed = Position.parse(tyre.believedAt);
        Fitting stay = new Fitting(tyre.position.code().hashCode() + tyre.sensors, 1, believed, 0, Fitting.OPEN);
        judge.judge(stay, mount, reading, book::apply);
    }

    /** Puts what was seen away and takes it up again, as a restart does. */
    TruckOnTheRoad restart() {
        judge = Remembered.afterRestart(judge, rules);
        return this;
    }

    /** What was seen of each wheel, bytes. */
    int bytesOfWheel() {
        return Remembered.bytes(judge.memory()) / tyres.size();
    }

    Collection<Tyre> tyres() {
        return tyres.values();
    }

    Collection<Alert> alerts() {
        return book.alerts();
    }
}
