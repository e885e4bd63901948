package vividcaravan.server.moves;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.FittingTimeline;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.core.tyres.TyreTimeline;
import vividcaravan.core.tyres.WheelMove;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.moves.MoveRequest.PlaceRequest;
import vividcaravan.server.moves.MoveRequest.StepRequest;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.tyres.MoveDistanceRow;
import vividcaravan.server.tyres.MoveStepRow;
import vividcaravan.server.tyres.TyreRow;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.View;

/** Reads what is asked for and finds out what it concerns. */
@Component
class MovePlanning {

    private static final double MOST_KM = 10_000_000;
    private static final Duration FUTURE = Duration.ofMinutes(2);
    private static final Duration LONGEST_AGO = Duration.ofDays(31);

    private final FleetDirectory fleet;
    private final TyreTables tables;
    private final Clock clock;

    MovePlanning(FleetDirectory fleet, TyreTables tables, Clock clock) {
        this.fleet = fleet;
        this.tables = tables;
        this.clock = clock;
    }

    /** A step that could be read. */
    private record Asked(@Nullable TyrePlace from, @Nullable Long tyre, TyrePlace to, @Nullable SensorFate fate) {}

    /**
     * Reads a request.
     *
     * @throws Refusal if it names what there is not, or no time that can be
     */
    MovePlan plan(View view, MoveRequest request) {
        Instant now = clock.instant();
        Instant at = request.at() == null ? now : request.at();
        Faults faults = new Faults();
        if (at.isAfter(now.plus(FUTURE)) || at.isBefore(now.minus(LONGEST_AGO))) {
            faults.add("at", "Say when it was done: a time within the last 31 days.");
        }
        if (request.steps() == null || request.steps().isEmpty()) {
            faults.add("steps", "Say which wheel goes where; nothing was moved.");
        }
        faults.refuse();
        List<Asked> asked = new ArrayList<>();
        for (int i = 0; i < request.steps().size(); i++) {
            asked.add(read(request.steps().get(i), "steps[" + i + "]", faults));
        }
        refuseDistances(request, faults);
        faults.refuse();
        return plan(view, asked, at.toEpochMilli(), distances(request), faults);
    }

    private Map<Long, Double> distances(MoveRequest request) {
        Map<Long, Double> distances = new LinkedHashMap<>();
        if (request.distances() != null) {
            request.distances()
                    .forEach(one -> distances.put(fleet.existing(one.vehicle()).id(), one.km()));
        }
        return distances;
    }

    private void refuseDistances(MoveRequest request, Faults faults) {
        if (request.distances() == null) {
            return;
        }
        Set<String> concerned = new HashSet<>();
        for (StepRequest step : request.steps()) {
            if (step != null) {
                concerned.add(step.vehicle());
                concerned.add(step.to() == null ? null : step.to().vehicle());
            }
        }
        Set<String> told = new HashSet<>();
        for (int i = 0; i < request.distances().size(); i++) {
            MoveRequest.VehicleDistance one = request.distances().get(i);
            String field = "distances[" + i + "]";
            if (one == null || one.vehicle() == null || !concerned.contains(one.vehicle())) {
                faults.add(field + ".vehicle", "Name a vehicle that a wheel of this move comes from or goes to.");
            } else if (!told.add(one.vehicle())) {
                faults.add(field + ".vehicle", one.vehicle() + " is named twice; leave one of both out.");
            }
            if (one == null || one.km() == null || !(one.km() >= 0 && one.km() <= MOST_KM)) {
                faults.add(field + ".km", "Say how far it had run, 0 to 10,000,000 km.");
            }
        }
    }

    private @Nullable Asked read(@Nullable StepRequest step, String field, Faults faults) {
        if (step == null || step.to() == null) {
            faults.add(field + ".to", "Say where this tyre goes.");
            return null;
        }
        TyrePlace to = step.to().kind() == null
                ? wheel(step.to().vehicle(), step.to().position(), field + ".to", faults)
                : away(step.to(), field + ".to", faults);
        if (step.reason() != null && to instanceof TyrePlace.AtWheel) {
            faults.add(field + ".reason", "A reason is of a tyre that comes off; this one goes to a wheel.");
        }
        if (step.tyre() != null) {
            if (step.vehicle() != null || step.position() != null) {
                faults.add(field + ".tyre", "Name the tyre or the wheel it is at, one of both.");
            }
            return to == null ? null : new Asked(null, number(step.tyre(), field, faults), to, step.sensor());
        }
        TyrePlace from = wheel(step.vehicle(), step.position(), field, faults);
        return to == null || from == null ? null : new Asked(from, null, to, step.sensor());
    }

    /** The request that makes a move again at another time. */
    MoveRequest again(List<MoveStepRow> steps, List<MoveDistanceRow> distances, Instant at, @Nullable String note) {
        return new MoveRequest(
                at,
                note,
                steps.stream()
                        .map(step -> {
                            TyrePlacing.Made one = step.made();
                            PlaceRequest from = request(one.from());
                            boolean isAtWheel = from.kind() == null;
                            return new StepRequest(
                                    from.vehicle(),
                                    from.position(),
                                    isAtWheel ? null : Long.toString(one.tyre()),
                                    request(one.to()),
                                    one.fate(),
                                    step.reason,
                                    step.went);
                        })
                        .toList(),
                distances.stream()
                        .map(row -> new MoveRequest.VehicleDistance(
                                fleet.vehicle(row.vehicleId)
                                        .orElseThrow()
                                        .description()
                                        .ref(),
                                row.km))
                        .toList());
    }

    private PlaceRequest request(TyrePlace place) {
        if (place instanceof TyrePlace.Away away) {
            return new PlaceRequest(null, null, away.kind(), away.name());
        }
        TyrePlace.AtWheel wheel = (TyrePlace.AtWheel) place;
        return new PlaceRequest(
                fleet.vehicle(wheel.vehicle()).orElseThrow().description().ref(),
                wheel.position().code(),
                null,
                null);
    }

    private static @Nullable Long number(String tyre, String field, Faults faults) {
        try {
            return Long.parseLong(tyre);
        } catch (NumberFormatException e) {
            faults.add(field + ".tyre", "There is no tyre \"" + tyre + "\".");
            return null;
        }
    }

    private static TyrePlace.@Nullable Away away(PlaceRequest to, String field, Faults faults) {
        if (to.vehicle() != null || to.position() != null) {
            faults.add(field, "A tyre goes to a wheel or to a place off every vehicle, one of both.");
            return null;
        }
        String name =
                to.name() == null || to.name().isBlank() ? null : to.name().strip();
        return new TyrePlace.Away(to.kind(), name);
    }

    private TyrePlace.@Nullable AtWheel wheel(
            @Nullable String ref, @Nullable String code, String field, Faults faults) {
        if (ref == null || code == null) {
            faults.add(field, "Name the vehicle and the wheel.");
            return null;
        }
        FleetVehicle vehicle = fleet.vehicle(ref).orElse(null);
        Position position = Position.find(code).orElse(null);
        if (vehicle == null) {
            faults.add(field + ".vehicle", "There is no vehicle \"" + ref + "\".");
            return null;
        }
        if (position == null || !vehicle.description().layout().has(position)) {
            faults.add(field + ".position", ref + " has no wheel \"" + code + "\".");
            return null;
        }
        return TyrePlace.wheel(vehicle.id(), position);
    }

    /** What a move that was made concerns now. */
    MovePlan planOf(View view, List<TyrePlacing.Made> made, long at) {
        Set<TyrePlace> places = new HashSet<>();
        Set<Long> tyres = new HashSet<>();
        for (TyrePlacing.Made one : made) {
            places.add(one.from());
            places.add(one.to());
            tyres.add(one.tyre());
        }
        return plan(view, places, tyres, List.of(), at, Map.of(), new Faults());
    }

    private MovePlan plan(View view, List<Asked> asked, long at, Map<Long, Double> distances, Faults faults) {
        Set<TyrePlace> places = new HashSet<>();
        Set<Long> tyres = new HashSet<>();
        for (Asked one : asked) {
            places.add(one.to());
            if (one.from() != null) {
                places.add(one.from());
            }
            if (one.tyre() != null) {
                tyres.add(one.tyre());
            }
        }
        return plan(view, places, tyres, asked, at, distances, faults);
    }

    private MovePlan plan(
            View view,
            Set<TyrePlace> places,
            Set<Long> tyres,
            List<Asked> asked,
            long at,
            Map<Long, Double> distances,
            Faults faults) {
        Map<Long, FleetVehicle> vehicles = new LinkedHashMap<>();
        places.forEach(place -> place.asWheel()
                .flatMap(wheel -> fleet.vehicle(wheel.vehicle()))
                .ifPresent(vehicle -> vehicles.put(vehicle.id(), vehicle)));
        Map<TyrePlace.AtWheel, Long> assumed = new HashMap<>();
        TyreTimeline timeline = withAssumed(tables.timeline(view, tyres, vehicles.keySet()), vehicles, assumed);
        // A tyre of a stay elsewhere brings its vehicle in, so that what is said of it has a name.
        timeline.stays().forEach(stay -> stay.place()
                .asWheel()
                .flatMap(wheel -> fleet.vehicle(wheel.vehicle()))
                .ifPresent(vehicle -> vehicles.putIfAbsent(vehicle.id(), vehicle)));
        Map<Long, KnownSensor> sensors = sensorsOf(vehicles, timeline);
        FittingTimeline fittings = FittingTimeline.known(sensors.values().stream()
                .flatMap(sensor -> sensor.fittings().stream())
                .toList());
        TyrePlacing placing = new TyrePlacing(timeline, fittings);
        List<WheelMove> moves = moves(asked, placing, sensors, at, faults);
        Set<Long> known = new HashSet<>();
        timeline.stays().forEach(stay -> known.add(stay.tyre()));
        Map<Long, TyreRow> rows = tables.tyres(view, known);
        return new MovePlan(
                at,
                vehicles,
                placing,
                moves,
                assumed,
                rows,
                tables.lastTreads(view, rows.keySet()),
                sensors,
                distances);
    }

    /** Every wheel of which nothing was ever written down has a tyre all the same. */
    private static TyreTimeline withAssumed(
            TyreTimeline written, Map<Long, FleetVehicle> vehicles, Map<TyrePlace.AtWheel, Long> assumed) {
        Set<TyrePlace> known = new HashSet<>();
        written.stays().forEach(stay -> known.add(stay.place()));
        List<TyreStay> stays = new ArrayList<>(written.stays());
        for (FleetVehicle vehicle : vehicles.values()) {
            for (Position position : vehicle.description().layout().positions()) {
                TyrePlace.AtWheel wheel = TyrePlace.wheel(vehicle.id(), position);
                if (!known.contains(wheel)) {
                    long provisional = -1L - assumed.size();
                    assumed.put(wheel, provisional);
                    stays.add(new TyreStay(provisional, wheel, null, TyreStay.ALWAYS, TyreStay.OPEN));
                }
            }
        }
        return TyreTimeline.of(stays);
    }

    private Map<Long, KnownSensor> sensorsOf(Map<Long, FleetVehicle> vehicles, TyreTimeline timeline) {
        Map<Long, KnownSensor> sensors = new LinkedHashMap<>();
        vehicles.values().forEach(vehicle -> vehicle.everFitted().forEach(sensor -> sensors.put(sensor.id(), sensor)));
        timeline.stays().stream()
                .filter(stay -> stay.sensor() != null)
                .flatMap(stay -> fleet.sensor(stay.sensor()).stream())
                .forEach(sensor -> sensors.put(sensor.id(), sensor));
        return sensors;
    }

    private static List<WheelMove> moves(
            List<Asked> asked, TyrePlacing placing, Map<Long, KnownSensor> sensors, long at, Faults faults) {
        Set<TyrePlace> filled = new HashSet<>();
        asked.forEach(one -> one.to().asWheel().ifPresent(filled::add));
        List<WheelMove> moves = new ArrayList<>();
        for (int i = 0; i < asked.size(); i++) {
            Asked one = asked.get(i);
            TyreStay stay = one.from() instanceof TyrePlace.AtWheel wheel
                    ? placing.tyres().at(wheel, at).orElse(null)
                    : placing.tyres().of(one.tyre(), at).orElse(null);
            if (stay == null) {
                faults.add(
                        "steps[" + i + "]",
                        one.from() == null
                                ? "There is no tyre " + one.tyre() + ", or it was not there yet at that time."
                                : "There was no tyre at this wheel at that time.");
                continue;
            }
            SensorFate fate = one.fate() != null
                    ? one.fate()
                    : SensorFate.usual(mount(placing, sensors, stay, at), one.to(), filled.contains(stay.place()));
            moves.add(new WheelMove(stay.tyre(), one.to(), fate));
        }
        faults.refuse();
        return moves;
    }

    private static @Nullable MountKind mount(
            TyrePlacing placing, Map<Long, KnownSensor> sensors, TyreStay stay, long at) {
        return stay.place()
                .asWheel()
                .flatMap(wheel -> placing.sensorAt(wheel, at))
                .map(Fitting::sensor)
                .map(sensors::get)
                .flatMap(KnownSensor::mount)
                .orElse(null);
    }
}
