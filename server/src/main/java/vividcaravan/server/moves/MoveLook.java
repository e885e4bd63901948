package vividcaravan.server.moves;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.tyres.MoveFault;
import vividcaravan.core.tyres.MoveRules;
import vividcaravan.core.tyres.Odometer;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.WhatWent;
import vividcaravan.core.tyres.WheelMove;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.moves.MovePreview.MoveWord;
import vividcaravan.server.moves.MovePreview.OdometerRead;
import vividcaravan.server.moves.MovePreview.StepPreview;
import vividcaravan.server.moves.MovePreview.WheelAfter;
import vividcaravan.server.platform.Rounded;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.TreadReadingRow;
import vividcaravan.server.tyres.Trouble;
import vividcaravan.server.tyres.TyreDemands;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.View;

/** Says what a move would come to, before anything is stored. */
@Component
class MoveLook {

    /** What a sensor said longer ago says nothing of what is to be added now. */
    private static final Duration LATELY = Duration.ofHours(1);

    /** A rim that is no warmer than this is not heated by its brake, °C [our judgement]. */
    private static final double COOL_RIM_C = 30;

    private final TyreDemands rules;
    private final Clock clock;

    MoveLook(TyreDemands rules, Clock clock) {
        this.rules = rules;
        this.clock = clock;
    }

    MovePreview of(View view, MovePlan plan, MoveRequest request) {
        List<MoveFault> faults = plan.faults();
        MoveRules held = new MoveRules(rules.ofTyres(view), LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC));
        List<StepPreview> steps = new ArrayList<>();
        for (int i = 0; i < plan.moves().size(); i++) {
            int number = i;
            List<MoveWord> said = new ArrayList<>();
            faults.stream()
                    .filter(fault -> fault.move() == number)
                    .forEach(fault -> said.add(new MoveWord(true, fault.message())));
            if (request.steps().get(i).went() == WhatWent.TYRE_ALONE) {
                addWhatStays(plan, plan.moves().get(i), said);
            }
            steps.add(step(plan, plan.moves().get(i), held, said));
        }
        List<WheelAfter> wheels = new ArrayList<>();
        List<MoveWord> axles = new ArrayList<>();
        if (faults.isEmpty()) {
            TyrePlacing after = plan.outcome().after();
            touched(plan).forEach(wheel -> wheels.add(after(plan, after, wheel)));
            addAxles(plan, after, held, axles);
        }
        boolean isRefused = steps.stream().anyMatch(step -> step.said().stream().anyMatch(MoveWord::isRefusal))
                || axles.stream().anyMatch(MoveWord::isRefusal);
        return new MovePreview(
                Instant.ofEpochMilli(plan.at()), !isRefused, steps, wheels, axles, contradicted(view, plan));
    }

    /** A leak may be at bead or valve, which stay with the rim. */
    private void addWhatStays(MovePlan plan, WheelMove move, List<MoveWord> said) {
        TyrePlace from = plan.from(move);
        openAllAt(plan, from, clock.millis())
                .filter(alert -> Trouble.staysToo(alert, WhatWent.TYRE_ALONE))
                .findFirst()
                .ifPresent(
                        alert -> said.add(
                                new MoveWord(
                                        false,
                                        plan.words(from) + ": " + words(alert)
                                                + " stays open there as well, until it is proven: it may be the valve or the rim, which stay.")));
    }

    private static List<OdometerRead> contradicted(View view, MovePlan plan) {
        List<OdometerRead> contradicted = new ArrayList<>();
        plan.distances().forEach((vehicle, km) -> new Odometer(plan.at(), km)
                .contradictedBy(MoveDistanceRow.ofVehicle(view, vehicle))
                .ifPresent(other -> contradicted.add(new OdometerRead(
                        plan.vehicles().get(vehicle).description().ref(),
                        Instant.ofEpochMilli(other.at()),
                        other.km()))));
        return contradicted;
    }

    private StepPreview step(MovePlan plan, WheelMove move, MoveRules held, List<MoveWord> said) {
        TyrePlace from = plan.from(move);
        Optional<KnownSensor> sensor = sensorOf(plan, move.tyre());
        Double target = null;
        Double now = null;
        if (move.to() instanceof TyrePlace.AtWheel wheel) {
            FleetVehicle vehicle = plan.vehicle(wheel);
            boolean isOffAndOn = from.equals(wheel);
            if (!isOffAndOn) {
                held.of(standing(plan, move.tyre()), seat(vehicle, wheel.position()))
                        .forEach(advice -> said.add(new MoveWord(advice.isRefusal(), advice.words())));
            }
            if (!isOffAndOn && !wheel.position().isSpare()) {
                target = vehicle.rulesAt(wheel.position()).limits().coldKpa();
                now = sensor.filter(one -> tellsOfTheAir(plan, move, one))
                        .map(one -> pressure(vehicle, one))
                        .map(vehicle.rulesAt(wheel.position()).limits()::coldOf)
                        .orElse(null);
            }
        }
        return new StepPreview(
                plan.words(from),
                plan.words(move.to()),
                words(plan.row(move.tyre())),
                sensor.map(KnownSensor::code).orElse(null),
                move.fate(),
                fates(from, move.to()),
                Rounded.tenth(target),
                Rounded.tenth(now),
                target == null || now == null ? null : Rounded.tenth(target - now),
                said);
    }

    /**
     * Whether what a sensor shows is the air's, so that it says what is to be added or let out: inside the tyre, of the last hour or
     * of a tyre that was cold, and nothing is open against it. Else a gauge is held to the cold tyre.
     */
    private boolean tellsOfTheAir(MovePlan plan, WheelMove move, KnownSensor sensor) {
        Reading newest = sensor.newest();
        boolean isInside = sensor.mount().map(mount -> !mount.isOutside()).orElse(false);
        if (!isInside
                || newest == null
                || !newest.isMeasurement()
                || clock.millis() - newest.at() > LATELY.toMillis()) {
            return false;
        }
        return plan.from(move)
                .asWheel()
                .map(wheel -> {
                    FleetVehicle vehicle = plan.vehicle(wheel);
                    boolean isSoaked = vehicle.isSoaked(wheel.position());
                    boolean isAtRim = sensor.mount().map(MountKind::isAtRim).orElse(false);
                    return (isSoaked || !isAtRim || !(newest.temperatureC() > COOL_RIM_C))
                            && openAt(plan, wheel, clock.millis()).isEmpty();
                })
                .orElse(true);
    }

    private static List<SensorFate> fates(TyrePlace from, TyrePlace to) {
        List<SensorFate> fates = new ArrayList<>();
        if (!to.isForGood()) {
            fates.add(SensorFate.TRAVELS);
        }
        if (from.asWheel().isPresent()) {
            fates.add(SensorFate.STAYS);
        }
        fates.add(SensorFate.OFF);
        fates.add(SensorFate.LOST);
        return fates;
    }

    private static @Nullable String words(@Nullable TyreRow row) {
        return row == null || row.tyre().words().isEmpty() ? null : row.tyre().words();
    }

    private static @Nullable Double pressure(FleetVehicle vehicle, KnownSensor sensor) {
        Reading newest = sensor.newest();
        return newest == null || !newest.isMeasurement()
                ? null
                : vehicle.compensation(sensor).compensateKpa(newest.pressureKpa(), newest.temperatureC());
    }

    private static Optional<KnownSensor> sensorOf(MovePlan plan, long tyre) {
        return plan.placing()
                .tyres()
                .of(tyre, plan.at())
                .flatMap(stay -> Optional.ofNullable(
                        stay.place() instanceof TyrePlace.AtWheel wheel
                                ? plan.placing()
                                        .sensorAt(wheel, plan.at())
                                        .map(Fitting::sensor)
                                        .orElse(null)
                                : stay.sensor()))
                .map(plan.sensors()::get);
    }

    /** What is known of a tyre where it is now. */
    private MoveRules.Standing standing(MovePlan plan, long tyre) {
        TyreRow row = plan.row(tyre);
        TreadReadingRow tread = plan.treads().get(tyre);
        TyrePlace place = plan.placing()
                .tyres()
                .of(tyre, plan.at())
                .map(stay -> stay.place())
                .orElseThrow();
        Optional<Alert> open = openAt(plan, place, clock.millis());
        String mark = row != null && row.markedAt != null
                ? row.markedWords == null ? "It is marked." : row.markedWords
                : open.filter(Alert::isRunSoft)
                        .map(alert -> "It was run at 80 % of its target or less.")
                        .orElse(null);
        List<Alert> known = openAllAt(plan, place, clock.millis())
                .filter(alert -> alert.kind() != AlertKind.HOT_WHEEL_END && (alert.isActive() || alert.wasLeak()))
                .sorted(Comparator.comparing(Alert::urgency))
                .toList();
        return new MoveRules.Standing(
                row == null ? assumed(plan, place) : row.tyre(),
                tread == null ? null : tread.shallowestMm,
                mark,
                known.isEmpty() ? null : known.stream().map(MoveLook::words).collect(Collectors.joining("; ")),
                known.stream()
                        .anyMatch(alert -> alert.isActive()
                                && (alert.urgency() == Urgency.STOP_NOW || alert.urgency() == Urgency.NEXT_STOP)),
                place.asWheel().map(wheel -> wheel.position().side()).orElse(null));
    }

    private static Tyre assumed(MovePlan plan, TyrePlace place) {
        return place.asWheel()
                .map(wheel -> TyreTables.assumed(plan.vehicle(wheel), wheel.position()))
                .orElse(Tyre.UNKNOWN);
    }

    private static String words(Alert alert) {
        String what = alert.kind().family() == AlertFamily.SEEN
                ? alert.lastSeen()
                : alert.kind().words();
        return alert.isActive() ? what : what + ", topped up or repaired and not proven closed";
    }

    /** What is open against the tyre at a place: what says most, and of that what marks it. */
    private static Optional<Alert> openAt(MovePlan plan, TyrePlace place, long now) {
        return openAllAt(plan, place, now)
                .min(Comparator.comparing((Alert alert) -> !alert.isRunSoft()).thenComparing(Alert::urgency));
    }

    private static Stream<Alert> openAllAt(MovePlan plan, TyrePlace place, long now) {
        return place.asWheel().stream().flatMap(wheel -> Stream.concat(
                        plan.vehicle(wheel).openAlerts().stream(), plan.vehicle(wheel).untoldAlerts().stream())
                .filter(alert -> wheel.position().equals(alert.position())
                        && Trouble.stood(alert, plan.at(), now)
                        && (alert.kind().family() == AlertFamily.TYRE || Trouble.isSeenOnTyre(alert)))
                .map(alert -> Trouble.then(alert, plan.at(), now)));
    }

    private static MoveRules.Seat seat(FleetVehicle vehicle, Position position) {
        AxleDescription axle =
                position.isSpare() ? null : vehicle.description().axles().get(position.axle() - 1);
        return new MoveRules.Seat(
                position,
                vehicle.description().kind(),
                Optional.ofNullable(axle)
                        .map(AxleDescription::axle)
                        .map(Axle::role)
                        .orElse(null),
                axle == null ? null : axle.tyre().size(),
                axle == null ? null : axle.tyre().loadIndex());
    }

    /** Every wheel that a tyre leaves or comes to. */
    private static Set<TyrePlace.AtWheel> touched(MovePlan plan) {
        Set<TyrePlace.AtWheel> wheels = new LinkedHashSet<>();
        for (WheelMove move : plan.moves()) {
            plan.from(move).asWheel().ifPresent(wheels::add);
            move.to().asWheel().ifPresent(wheels::add);
        }
        return wheels;
    }

    private static WheelAfter after(MovePlan plan, TyrePlacing after, TyrePlace.AtWheel wheel) {
        var stay = after.tyres().at(wheel, plan.at());
        return new WheelAfter(
                plan.vehicle(wheel).description().ref(),
                wheel.position().code(),
                stay.isPresent(),
                stay.map(one -> words(plan.row(one.tyre()))).orElse(null),
                after.sensorAt(wheel, plan.at())
                        .map(fitting -> plan.sensors().get(fitting.sensor()).code())
                        .orElse(null));
    }

    private void addAxles(MovePlan plan, TyrePlacing after, MoveRules held, List<MoveWord> said) {
        Map<List<Long>, Map<Position, MoveRules.Standing>> axles = new LinkedHashMap<>();
        for (WheelMove move : plan.moves()) {
            move.to()
                    .asWheel()
                    .filter(wheel -> !wheel.position().isSpare())
                    .ifPresent(wheel -> axles.putIfAbsent(
                            List.of(wheel.vehicle(), (long) wheel.position().axle()),
                            new TreeMap<>(Comparator.comparing(Position::code))));
        }
        axles.forEach((axle, standings) -> {
            FleetVehicle vehicle = plan.vehicles().get(axle.get(0));
            vehicle.description().layout().positions().stream()
                    .filter(position -> !position.isSpare() && position.axle() == axle.get(1))
                    .forEach(position -> after.tyres()
                            .at(TyrePlace.wheel(vehicle.id(), position), plan.at())
                            .ifPresent(stay -> standings.put(position, standing(plan, stay.tyre()))));
            held.ofAxle(standings)
                    .forEach(advice -> said.add(new MoveWord(
                            advice.isRefusal(), vehicle.description().ref() + " " + advice.words())));
        });
    }
}
