package vividcaravan.server.description;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.document.FleetDocument;
import vividcaravan.server.document.VehicleEntryReader;
import vividcaravan.server.fleet.DescriptionDifferences;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.VehicleStateChanged;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.outages.Outages;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.sensors.FittingChange;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Describes single vehicles, one at a time or many alike, and says where they stand. */
@Component
public class Describing {

    private static final int LONGEST_REASON = 500;
    private static final Duration LONGEST_OUT = Duration.ofDays(366);

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final FleetTables store;
    private final Clock clock;
    private final Outages outages;
    private final ApplicationEventPublisher events;

    Describing(
            SingleWriter writer,
            FleetDirectory fleet,
            FleetTables store,
            Clock clock,
            Outages outages,
            ApplicationEventPublisher events) {
        this.outages = outages;
        this.writer = writer;
        this.fleet = fleet;
        this.store = store;
        this.clock = clock;
        this.events = events;
    }

    /** A vehicle's description, found free of faults under a book. */
    record Checked(FleetDocument.VehicleEntry entry, LimitBook book) {}

    /**
     * Reads the description of one vehicle. What it says of the vehicle's state does not move it.
     *
     * @param isNew whether the vehicle is none yet
     * @throws Refusal with every fault and its JSON path, if there is one
     */
    Checked check(JsonNode json, boolean isNew) {
        Faults faults = new Faults();
        LimitBook book = fleet.book();
        FleetDocument.VehicleEntry entry =
                new VehicleEntryReader(faults, clock.instant().plusSeconds(120), book).read(json);
        if (entry != null && entry.sensors() != null && !entry.sensors().isEmpty()) {
            faults.add("$.sensors", "Sensors are fitted by a job, or brought in with a document.");
        }
        if (isNew && entry != null && entry.state() != null && entry.state() != VehicleState.DESCRIBED) {
            faults.add("$.state", "A vehicle comes into service when its fit-out job is done; leave the state out.");
        }
        faults.refuse(all -> all.size() == 1
                ? all.get(0).message() + " Nothing was stored."
                : "The description has " + all.size() + " faults; nothing was stored.");
        return new Checked(entry.inState(null), book);
    }

    /** Stores new vehicles, all or none; they are described and not in service. */
    List<FleetVehicle> create(List<Checked> described) {
        return writer.make(view -> {
            for (Checked one : described) {
                store.refuseIfLimitsChangedSince(one.book());
                refuseIfTaken(one.entry().ref());
            }
            return Decision.make(pen -> {
                List<FleetVehicle> made = new ArrayList<>();
                described.forEach(one -> made.add(
                        store.store(pen, null, one.entry().description(fleet.book()), beginning(one.entry()))));
                return new Done<>(made, made(made));
            });
        });
    }

    private static Deed made(List<FleetVehicle> made) {
        String first = made.get(0).description().ref();
        if (made.size() == 1) {
            return Deed.of(DeedKind.VEHICLE_DESCRIBED, made.get(0).thing(), "described " + first)
                    .at(made.get(0).id());
        }
        String last = made.get(made.size() - 1).description().ref();
        return Deed.of(
                        DeedKind.VEHICLES_DESCRIBED,
                        new Thing(Thing.Kind.IMPORT, "list", made.size() + " vehicles"),
                        "described " + made.size() + " vehicles alike, " + first + " to " + last)
                .at(made.stream().map(FleetVehicle::id).toList());
    }

    private static VehicleState beginning(FleetDocument.VehicleEntry entry) {
        return entry.state() == null ? VehicleState.DESCRIBED : entry.state();
    }

    private void refuseIfTaken(String ref) {
        if (fleet.vehicle(ref).isPresent()) {
            throw Refusal.conflict(
                    "There is a vehicle \"" + ref + "\" already. Choose another ref; nothing was stored.");
        }
    }

    /**
     * Changes a description. Sensors at wheels that are no more are taken off from now on, with their history kept, and
     * tyres go from there to the store.
     *
     * @param revision the one the change was made from
     * @throws Refusal if somebody else changed it meanwhile
     */
    FleetVehicle change(String ref, int revision, Checked described) {
        return writer.make(view -> {
            store.refuseIfLimitsChangedSince(described.book());
            FleetVehicle vehicle = fleet.existing(ref);
            if (vehicle.revision() != revision) {
                throw Refusal.conflict("Somebody else changed " + ref
                        + " meanwhile; nothing of yours was stored. Look at theirs, then make your change again.");
            }
            if (!described.entry().ref().equals(ref)) {
                refuseIfTaken(described.entry().ref());
            }
            VehicleDescription before = vehicle.description();
            return Decision.make(pen -> {
                store.store(pen, vehicle, described.entry().description(fleet.book(), before), vehicle.state());
                long now = clock.millis();
                events.publishEvent(VehicleRedescribed.from(before, pen, vehicle, now));
                takeOffWhereNoWheelIs(pen, vehicle, now);
                return new Done<>(vehicle, redescribed(vehicle, before));
            });
        });
    }

    private static Deed redescribed(FleetVehicle vehicle, VehicleDescription before) {
        return Deed.of(DeedKind.VEHICLE_REDESCRIBED, vehicle.thing(), "changed the description of " + before.ref())
                .at(vehicle.id())
                .with(DescriptionDifferences.between(before, vehicle.description()));
    }

    private void takeOffWhereNoWheelIs(Pen pen, FleetVehicle vehicle, long now) {
        AxleLayout layout = vehicle.description().layout();
        List<KnownSensor> lost = vehicle.sensors().entrySet().stream()
                .filter(entry -> !layout.has(entry.getKey()))
                .map(java.util.Map.Entry::getValue)
                .toList();
        if (!lost.isEmpty()) {
            FittingChange change = new FittingChange(fleet, new LinkedHashSet<>(vehicle.everFitted()));
            lost.forEach(sensor -> change.remove(sensor, now));
            change.store(pen, events);
        }
    }

    /** Puts a vehicle to another use, which chooses between the targets of its axles. */
    FleetVehicle use(String ref, VehicleUse use) {
        return writer.make(view -> {
            FleetVehicle vehicle = fleet.existing(ref);
            VehicleDescription before = vehicle.description();
            if (use != VehicleUse.ROAD && !before.uses().contains(use)) {
                throw Refusal.badRequest(
                        "use", "No axle of " + ref + " has a target for that. Give one a target for it first.");
            }
            FleetDocument.VehicleEntry entry =
                    FleetDocument.VehicleEntry.of(before.usedFor(use), vehicle.state(), null);
            return Decision.make(pen -> {
                store.store(pen, vehicle, entry.withUse(use).description(fleet.book()), vehicle.state());
                events.publishEvent(VehicleRedescribed.withSameWheels(pen, vehicle));
                return new Done<>(
                        vehicle,
                        Deed.of(DeedKind.VEHICLE_USE_CHANGED, vehicle.thing(), "put " + ref + " to use " + use.words())
                                .at(vehicle.id())
                                .with("Use", before.use().words(), use.words()));
            });
        });
    }

    /**
     * Says where a vehicle stands.
     *
     * @param until when it comes back into service by itself, or null
     * @throws Refusal if it cannot get there from where it is
     */
    FleetVehicle state(String ref, VehicleState state, @Nullable String reason, @Nullable Instant until) {
        if (reason != null && reason.length() > LONGEST_REASON) {
            throw Refusal.badRequest("reason", "The reason may have " + LONGEST_REASON + " characters.");
        }
        boolean isEndFit = until == null
                || state == VehicleState.OUT_OF_SERVICE
                        && until.isAfter(clock.instant())
                        && until.isBefore(clock.instant().plus(LONGEST_OUT));
        if (!isEndFit) {
            throw Refusal.badRequest("until", "Say until when it is out of service: a time within the next year.");
        }
        return writer.make(view -> {
            FleetVehicle vehicle = fleet.existing(ref);
            if (state == VehicleState.OUT_OF_SERVICE && (reason == null || reason.isBlank())) {
                throw Refusal.badRequest("reason", "Say why it is out of service: nothing is raised for it then.");
            }
            if (!Set.of(VehicleState.IN_SERVICE, VehicleState.OUT_OF_SERVICE).contains(state)) {
                throw Refusal.badRequest("state", "A vehicle is put in service or out of it; a job says the rest.");
            }
            boolean isUnproven =
                    vehicle.state() == VehicleState.DESCRIBED || vehicle.state() == VehicleState.BEING_FITTED;
            if (state == VehicleState.IN_SERVICE && isUnproven) {
                throw Refusal.conflict(ref + " comes into service when its fit-out job is done.");
            }
            if (vehicle.state() == state) {
                return Decision.nothing(vehicle);
            }
            refuseUnlessMay(vehicle, state);
            if (state == VehicleState.IN_SERVICE) {
                refuseWhileMarked(vehicle);
            }
            VehicleState before = vehicle.state();
            return Decision.make(pen -> {
                set(pen, vehicle, state, reason);
                Deed deed = moved(vehicle, before, reason);
                if (until == null) {
                    return new Done<>(vehicle, deed);
                }
                outages.ofVehicle(pen, vehicle, reason, until);
                return new Done<>(vehicle, deed.with("Until", null, until.toString()));
            });
        });
    }

    /** A vehicle that is out of service stays so while it has a tyre that was run soft. */
    private static void refuseWhileMarked(FleetVehicle vehicle) {
        String wheels = vehicle.untoldAlerts().stream()
                .filter(alert -> alert.isRunSoft() && alert.position() != null)
                .map(alert -> alert.position().code())
                .sorted()
                .collect(Collectors.joining(", "));
        if (!wheels.isEmpty()) {
            throw Refusal.conflict("The tyre at " + wheels + " was run at 80 % of its target or less. "
                    + vehicle.description().ref() + " comes back once that tyre is off: bring it to the store, to a"
                    + " repairer or to scrap in the Workshop, under Move wheels. Its mark goes with it.");
        }
    }

    private static void refuseUnlessMay(FleetVehicle vehicle, VehicleState state) {
        if (!vehicle.state().mayBecome(state)) {
            throw Refusal.conflict(vehicle.description().ref() + " is "
                    + vehicle.state().words() + " and cannot be " + state.words() + " from there.");
        }
    }

    private void set(Pen pen, FleetVehicle vehicle, VehicleState state, @Nullable String reason) {
        outages.forgetVehicle(pen, vehicle);
        store.storeState(pen.session(), vehicle, state, reason);
        events.publishEvent(new VehicleStateChanged(pen, vehicle));
    }

    private static Deed moved(FleetVehicle vehicle, VehicleState before, @Nullable String reason) {
        String ref = vehicle.description().ref();
        return Deed.of(
                        DeedKind.VEHICLE_STATE_CHANGED,
                        vehicle.thing(),
                        "set down that " + ref + " is " + vehicle.state().words())
                .at(vehicle.id())
                .with("State", before.words(), vehicle.state().words())
                .because(reason);
    }

    /** Moves a vehicle to another state, as something that goes with a write. */
    public void move(Pen pen, FleetVehicle vehicle, VehicleState state) {
        if (vehicle.state() != state) {
            refuseUnlessMay(vehicle, state);
            VehicleState before = vehicle.state();
            set(pen, vehicle, state, null);
            pen.note(moved(vehicle, before, null));
        }
    }
}
