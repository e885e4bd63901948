package vividcaravan.server.demo;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.simulator.Incident;
import vividcaravan.simulator.LiveSimulation;

/** The demo's own page: let something happen, and see what the product makes of it. */
@RestController
@RequestMapping("/api/v1/demo")
@Tag(name = "demo")
class DemoController {

    private static final int MOST_SHOWN = 20;
    private static final double AIR_KPA = 25;
    private static final Thing DEMO = new Thing(Thing.Kind.DEMO, "demo", "demo");

    private final DemoFleet demo;
    private final FleetDirectory fleet;
    private final SingleWriter writer;
    private final Clock clock;

    DemoController(DemoFleet demo, FleetDirectory fleet, SingleWriter writer, Clock clock) {
        this.writer = writer;
        this.demo = demo;
        this.fleet = fleet;
        this.clock = clock;
    }

    /**
     * How the demo stands.
     *
     * @param isDemo whether this is one
     * @param progress how much of its past is in place, 0 to 1
     * @param incidents what was planted, the newest first
     */
    record DemoState(boolean isDemo, double progress, List<Planted> incidents) {}

    /** Something planted. */
    record Planted(
            int number,
            Incident.Kind kind,
            String vehicle,
            @Nullable String position,
            Instant at,
            Instant endsAt,
            boolean isRunning) {}

    /** What is to happen. */
    record PlantRequest(Incident.@Nullable Kind kind, @Nullable String vehicle, @Nullable String position) {}

    /** Which incident is to end. */
    record EndRequest(int number) {}

    @GetMapping
    @Operation(operationId = "getDemo", summary = "How the demo stands")
    DemoState get() {
        return demo.live().map(this::state).orElse(new DemoState(false, 1, List.of()));
    }

    @PostMapping("/incidents")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "plantIncident", summary = "Let something happen in the demo")
    DemoState plant(@RequestBody PlantRequest request) {
        LiveSimulation live = running();
        if (request.kind() == null || request.vehicle() == null) {
            throw Refusal.badRequest("kind", "Say what is to happen and to which vehicle.");
        }
        FleetVehicle vehicle = fleet.existing(request.vehicle());
        if (!live.knows(request.vehicle())) {
            throw Refusal.badRequest(
                    "vehicle",
                    "Nobody simulates " + request.vehicle() + ": it is none of the demo's own vehicles. Choose one of"
                            + " those.");
        }
        refuseIfHeardMeanwhile(request.kind(), vehicle);
        Position position = null;
        if (request.kind().isOfWheel()) {
            if (request.position() == null) {
                throw Refusal.badRequest("position", "Say to which wheel it is to happen.");
            }
            position = vehicle.existing(request.position());
            if (position.isSpare()
                    || vehicle.sensorAt(position).isEmpty()
                    || !live.knows(request.vehicle(), position)) {
                throw Refusal.badRequest(
                        "position", "Nothing would be seen there: choose a wheel on the road that has a sensor.");
            }
        }
        live.plant(new Incident(request.kind(), request.vehicle(), position, clock.instant()));
        demo.keep(live.incidents());
        played("let something happen to " + request.vehicle(), vehicle, request.kind());
        return state(live);
    }

    @PostMapping("/incidents/end")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "endIncident", summary = "Put right what was planted")
    DemoState end(@RequestBody EndRequest request) {
        LiveSimulation live = running();
        List<Incident> incidents = live.incidents();
        if (request.number() < 0 || request.number() >= incidents.size()) {
            throw Refusal.notFound("Nothing of that number was planted.");
        }
        Incident incident = incidents.get(request.number());
        incident.end(clock.instant());
        demo.keep(incidents);
        played(
                "put right what was planted at " + incident.vehicle(),
                fleet.existing(incident.vehicle()),
                incident.kind());
        return state(live);
    }

    /** What the handheld reader does at a wheel. */
    enum HandheldAction {
        /** It is held to the wheel. */
        TOUCH,
        /** 25 kPa are let in. */
        LET_IN,
        /** 25 kPa are let out. */
        LET_OUT
    }

    /** What the handheld reader is to do. */
    record HandheldRequest(@Nullable HandheldAction action, @Nullable String vehicle, @Nullable String position) {}

    /** What the handheld reader shows: the code of the sensor at that wheel. */
    record HandheldShows(String code) {}

    @PostMapping("/handheld")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "useHandheld", summary = "A stand-in for the handheld reader and the air line in the demo")
    HandheldShows handheld(@RequestBody HandheldRequest request) {
        LiveSimulation live = running();
        if (request.action() == null || request.vehicle() == null || request.position() == null) {
            throw Refusal.badRequest("action", "Say what to do at which wheel of which vehicle.");
        }
        FleetVehicle vehicle = fleet.existing(request.vehicle());
        Position position = vehicle.existing(request.position());
        boolean isDriving = vehicle.sensorAt(position)
                .filter(sensor -> !LiveSimulation.isInWorkshop(sensor.code()))
                .isPresent();
        if (isDriving) {
            throw Refusal.badRequest(
                    "vehicle", "This wheel drives about with the fleet. Take one that has no sensor of the fleet yet.");
        }
        double target = vehicle.rulesAt(position).limits().targetKpa();
        if (request.action() != HandheldAction.TOUCH) {
            double kpa = request.action() == HandheldAction.LET_IN ? AIR_KPA : -AIR_KPA;
            live.inflate(request.vehicle(), position, target, kpa);
            String wheel = vehicle.thing(position).name();
            writer.make(view -> Decision.make(
                    pen -> Done.by(Deed.of(DeedKind.DEMO_PLAYED, DEMO, "used the demo's air line at " + wheel)
                            .at(vehicle.id(), position.code())
                            .with("Let in", "kPa", null, kpa))));
        }
        return new HandheldShows(live.touch(request.vehicle(), position, target));
    }

    private void played(String words, FleetVehicle vehicle, Incident.Kind kind) {
        String what = kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        writer.make(view -> Decision.make(pen -> Done.by(
                Deed.of(DeedKind.DEMO_PLAYED, DEMO, words).at(vehicle.id()).with("Incident", null, what))));
    }

    /** What a vehicle measured in the past can only come now if nothing of that time is known yet. */
    private void refuseIfHeardMeanwhile(Incident.Kind kind, FleetVehicle vehicle) {
        Long heardAt = WheelStates.lastHeardAt(vehicle);
        long needed = clock.instant().minus(kind.past()).toEpochMilli();
        if (!kind.past().isZero() && heardAt != null && heardAt > needed) {
            throw Refusal.badRequest(
                    "vehicle",
                    "This one tells of the last " + kind.past().toHours() + " hours, and "
                            + vehicle.description().ref()
                            + " was heard within them. Choose a vehicle that has been quiet for longer.");
        }
    }

    private LiveSimulation running() {
        return demo.live().orElseThrow(() -> Refusal.notFound("This is no demo; nothing can be planted in it."));
    }

    private DemoState state(LiveSimulation live) {
        List<Incident> incidents = live.incidents();
        Instant now = clock.instant();
        List<Planted> planted = new java.util.ArrayList<>();
        for (int i = 0; i < incidents.size(); i++) {
            Incident incident = incidents.get(i);
            planted.add(new Planted(
                    i,
                    incident.kind(),
                    incident.vehicle(),
                    incident.position() == null ? null : incident.position().code(),
                    incident.at(),
                    incident.endsAt(),
                    now.isBefore(incident.endsAt())));
        }
        planted.sort(Comparator.comparing(Planted::number).reversed());
        return new DemoState(
                true, live.progress(), planted.stream().limit(MOST_SHOWN).toList());
    }
}
