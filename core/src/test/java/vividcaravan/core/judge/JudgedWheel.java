package vividcaravan.core.judge;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.units.AbsolutePressure;

/** A vehicle with targets of 800 kPa, its judge and its alerts; one wheel of it is given readings, a minute apart. */
final class JudgedWheel {

    static final double TARGET = 800;
    static final long MINUTE = 60_000;
    static final long BEGIN = 1_700_000_000_000L;

    private final VehicleJudge judge;
    private final AlertBook book;
    private final Fitting stay;
    private final MountKind mount;
    final List<Finding> findings = new ArrayList<>();
    long now = BEGIN;
    /** What its sensor says of moving. */
    private Boolean moving;

    JudgedWheel(String position, LimitPolicy policy, VehicleKind kind, double targetKpa) {
        this(position, MountKind.STRAP, rules(policy, kind, targetKpa));
    }

    JudgedWheel(String position, MountKind mount, VehicleRules rules) {
        AtomicLong ids = new AtomicLong();
        this.mount = mount;
        judge = new VehicleJudge(rules);
        book = new AlertBook(ids::incrementAndGet);
        stay = new Fitting(1, 1, Position.parse(position), 0, Fitting.OPEN);
    }

    static VehicleRules rules(LimitPolicy policy, VehicleKind kind, double targetKpa) {
        return rules(policy, kind, targetKpa, new SensorAir(AbsolutePressure.STANDARD_ATMOSPHERE, Set.of()));
    }

    static VehicleRules rules(LimitPolicy policy, VehicleKind kind, double targetKpa, SensorAir air) {
        Axle steer = new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false);
        Axle drive = new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false);
        AxleLimits limits = new AxleLimits(targetKpa, policy);
        return new VehicleRules(kind, new AxleLayout(List.of(steer, drive), 1), List.of(limits, limits), air);
    }

    static JudgedWheel drive() {
        return new JudgedWheel("2LO", LimitPolicy.DEFAULT, VehicleKind.RIGID_TRUCK, TARGET);
    }

    static JudgedWheel at(String position) {
        return new JudgedWheel(position, LimitPolicy.DEFAULT, VehicleKind.RIGID_TRUCK, TARGET);
    }

    /** From now on its sensor says that it moves. */
    JudgedWheel onTheRoad() {
        moving = true;
        return this;
    }

    /** One reading after {@code minutes} more. */
    JudgedWheel after(double minutes, double kpa, double celsius) {
        now += Math.round(minutes * MINUTE);
        return take(new Reading(now, kpa, celsius, null, null, moving));
    }

    JudgedWheel take(Reading reading) {
        judge.judge(stay, mount, reading, finding -> {
            findings.add(finding);
            book.apply(finding);
        });
        return this;
    }

    /** Readings at 20 °C, a minute apart. */
    JudgedWheel readings(double... kpaAt20) {
        for (double kpa : kpaAt20) {
            after(1, kpa, 20);
        }
        return this;
    }

    /** So many readings alike, a minute apart. */
    JudgedWheel steady(int count, double kpa, double celsius) {
        for (int i = 0; i < count; i++) {
            after(1, kpa, celsius);
        }
        return this;
    }

    WheelCondition condition() {
        return judge.condition(stay.position());
    }

    List<Alert> alerts() {
        return book.alerts().stream().toList();
    }

    Alert alert() {
        if (alerts().size() != 1) {
            throw new AssertionError("expected one alert, there are " + alerts());
        }
        return alerts().get(0);
    }

    AlertBook book() {
        return book;
    }
}
