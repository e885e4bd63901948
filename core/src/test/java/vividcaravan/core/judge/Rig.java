package vividcaravan.core.judge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.judge.rules.AxleConduct;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.TyreArrival;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.units.AbsolutePressure;

/** A vehicle whose every wheel shows just what a test says, once a minute: for rules, not for physics. */
final class Rig {

    static final double TARGET = 800;
    private static final long MINUTE = 60_000;

    /** What a wheel shows. */
    static final class Shown {
        double kpaAt20 = TARGET;
        double celsius = 30;
        Integer batteryMv = 3_000;
        boolean isQuiet;

        private double gauge() {
            return (kpaAt20 + 101.325) * (celsius + 273.15) / 293.15 - 101.325;
        }
    }

    private final Map<String, Shown> wheels = new LinkedHashMap<>();
    private final List<TyreArrival> arrivals = new ArrayList<>();
    private final Map<String, Long> cameAt = new HashMap<>();
    private final Supplier<VehicleRules> rules;
    private final VehicleJudge judge;
    private final AlertBook book;
    private final MountKind mount;
    Boolean moving = true;
    long now = JudgedWheel.BEGIN;

    Rig(VehicleKind kind, MountKind mount, DutyProfile duty, LimitPolicy fleet, int spares, Axle... axles) {
        this(kind, mount, duty, fleet, spares, List.of(axles), same(axles.length));
    }

    private static List<Double> same(int count) {
        return new ArrayList<>(java.util.Collections.nCopies(count, TARGET));
    }

    Rig(
            VehicleKind kind,
            MountKind mount,
            DutyProfile duty,
            LimitPolicy fleet,
            int spares,
            List<Axle> axles,
            List<Double> targets) {
        this.mount = mount;
        AxleLayout layout = new AxleLayout(axles, spares);
        List<AxleLimits> limits = new ArrayList<>();
        for (int i = 0; i < axles.size(); i++) {
            boolean isTwin = axles.get(i).wheels().tyresPerSide() == 2;
            limits.add(new AxleLimits(targets.get(i), duty.over(fleet, isTwin)));
        }
        rules = () -> new VehicleRules(
                kind,
                layout,
                limits,
                axles.stream()
                        .map(axle -> new AxleConduct(duty, false, false, false))
                        .toList(),
                new SensorAir(AbsolutePressure.STANDARD_ATMOSPHERE, Set.of()),
                List.of(),
                arrivals);
        judge = new VehicleJudge(rules.get());
        long[] ids = {0};
        book = new AlertBook(() -> ++ids[0]);
        layout.positions().forEach(position -> wheels.put(position.code(), new Shown()));
    }

    Shown wheel(String position) {
        return wheels.get(position);
    }

    /** All show the same temperature. */
    Rig allAt(double celsius) {
        wheels.values().forEach(wheel -> wheel.celsius = celsius);
        return this;
    }

    /** A move is written down now: these wheels have other tyres, and the stays of their sensors begin anew. */
    Rig arrive(String... positions) {
        for (String position : positions) {
            arrivals.add(new TyreArrival(Position.parse(position), now));
            cameAt.put(position, now);
        }
        judge.holdTo(rules.get());
        return this;
    }

    /** So many minutes pass. */
    Rig pass(int minutes) {
        for (int minute = 0; minute < minutes; minute++) {
            now += MINUTE;
            wheels.forEach((code, wheel) -> {
                if (!wheel.isQuiet) {
                    Fitting stay = new Fitting(
                            code.hashCode(), 1, Position.parse(code), cameAt.getOrDefault(code, 0L), Fitting.OPEN);
                    Reading reading = new Reading(now, wheel.gauge(), wheel.celsius, wheel.batteryMv, -70, moving);
                    judge.judge(stay, mount, reading, book::apply);
                }
            });
        }
        return this;
    }

    List<Alert> alerts() {
        return List.copyOf(book.alerts());
    }

    /** The alerts as {@code position kind urgency}. */
    List<String> said() {
        return book.alerts().stream()
                .map(alert -> alert.position() + " " + alert.kind() + " " + alert.urgency())
                .toList();
    }

    /** The alert of a wheel. */
    Alert at(String position) {
        return book.alerts().stream()
                .filter(alert -> Position.parse(position).equals(alert.position()))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing at " + position + ", only " + said()));
    }

    AlertBook book() {
        return book;
    }
}
