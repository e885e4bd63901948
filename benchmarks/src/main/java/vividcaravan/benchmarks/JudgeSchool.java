package vividcaravan.benchmarks;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertBook;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.simulator.RandomFleet;

/** The product's own judge with its default limits. */
final class JudgeSchool implements Detection.School {

    private final String vehicle;
    private final MountKind mount;
    private final VehicleJudge judge;
    private final AlertBook book;
    private final Map<Position, Fitting> stays = new HashMap<>();
    private final Map<Position, Long> newest = new HashMap<>();
    private final Map<Long, Detection.Said> said = new LinkedHashMap<>();

    JudgeSchool(RandomFleet.Vehicle vehicle) {
        this.vehicle = vehicle.ref();
        this.mount = vehicle.mount();
        List<AxleLimits> limits = vehicle.targetsKpa().stream()
                .map(target -> new AxleLimits(target, LimitPolicy.DEFAULT))
                .toList();
        judge = new VehicleJudge(new VehicleRules(
                vehicle.kind(),
                vehicle.layout(),
                limits,
                new SensorAir(
                        Atmosphere.at(vehicle.altitudeM()), vehicle.isVented() ? Set.of(vehicle.mount()) : Set.of())));
        long[] ids = {0};
        book = new AlertBook(() -> ++ids[0]);
        long sensor = 0;
        for (RandomFleet.Wheel wheel : vehicle.wheels()) {
            sensor++;
            stays.put(wheel.position(), new Fitting(sensor, 1, wheel.position(), 0, Fitting.OPEN));
            judge.expect(stays.get(wheel.position()));
        }
    }

    @Override
    public void take(RandomFleet.Arrival arrival) {
        long at = arrival.reading().at();
        // A reading older than its sensor's newest is kept, and not judged.
        if (at <= newest.getOrDefault(arrival.position(), Long.MIN_VALUE)) {
            return;
        }
        newest.put(arrival.position(), at);
        Double kpa = arrival.reading().pressureKpa();
        Double celsius = arrival.reading().temperatureC();
        Reading reading = new Reading(
                at,
                kpa == null ? Double.NaN : kpa,
                celsius == null ? Double.NaN : celsius,
                arrival.reading().batteryMv(),
                arrival.reading().rssiDbm(),
                arrival.reading().moving());
        judge.judge(stays.get(arrival.position()), mount, reading, finding -> book.apply(finding)
                .ifPresent(this::keep));
    }

    private void keep(Alert alert) {
        List<Detection.Step> steps = alert.entries().stream()
                .map(entry -> new Detection.Step(
                        entry.at(),
                        entry.change().isStep() ? entry.kind() : null,
                        entry.change().isStep() && entry.urgency() == Urgency.STOP_NOW))
                .toList();
        said.put(alert.id(), new Detection.Said(vehicle, alert.position(), steps));
    }

    @Override
    public List<Detection.Said> said() {
        return List.copyOf(said.values());
    }
}
