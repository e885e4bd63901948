package vividcaravan.server.outages;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.Outage;
import vividcaravan.core.axles.Position;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.OutageRow;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.WriteFailed;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Takes wheels and axles out of service, puts aside what is raised for them, and ends that when its time is over. */
@Service
public class Outages implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(Outages.class);
    private static final Duration PAUSE = Duration.ofSeconds(5);

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final AlertActions actions;
    private final Clock clock;

    Outages(SingleWriter writer, FleetDirectory fleet, AlertActions actions, Clock clock) {
        this.writer = writer;
        this.fleet = fleet;
        this.actions = actions;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("outages", PAUSE, PAUSE, this::look));
    }

    /**
     * Takes a wheel or an axle out of service.
     *
     * @param axle counted from the front, or null
     * @param position the wheel, or null
     */
    void begin(
            FleetVehicle vehicle,
            @Nullable Integer axle,
            @Nullable Position position,
            String reason,
            Instant until,
            String who) {
        writer.make(view -> {
            boolean isOut = vehicle.outages().stream()
                    .anyMatch(one -> !one.isVehicle()
                            && Objects.equals(one.axle(), axle)
                            && Objects.equals(one.position(), position));
            if (isOut) {
                throw Refusal.conflict("It is out of service already. Put it back first to say something else.");
            }
            return Decision.make(pen -> {
                Outage outage = keep(pen, vehicle, axle, position, reason, until, who);
                return Done.by(deed(DeedKind.TAKEN_OUT, vehicle, outage, "took " + outage.words())
                        .because(reason)
                        .with("Until", null, until.toString()));
            });
        });
        look(vehicle);
    }

    /** Notes until when a whole vehicle is out, as part of the write that takes it out. */
    public void ofVehicle(Pen pen, FleetVehicle vehicle, String reason, Instant until) {
        keep(pen, vehicle, null, null, reason, until, pen.author().id());
    }

    private Outage keep(
            Pen pen,
            FleetVehicle vehicle,
            @Nullable Integer axle,
            @Nullable Position position,
            String reason,
            Instant until,
            String who) {
        OutageRow row = new OutageRow();
        row.vehicleId = vehicle.id();
        row.axle = axle;
        row.position = position == null ? null : position.code();
        row.reason = reason;
        row.untilAt = until;
        row.begunBy = who;
        row.begunAt = clock.instant();
        pen.session().insert(row);
        List<Outage> known = new ArrayList<>(vehicle.outages());
        known.add(row.outage());
        vehicle.out(known);
        return row.outage();
    }

    /**
     * Puts a wheel or an axle back into service: what was put aside for it calls again.
     *
     * @throws Refusal if it is not out
     */
    void end(FleetVehicle vehicle, long id, String who) {
        Outage outage = vehicle.outages().stream()
                .filter(one -> one.id() == id && !one.isVehicle())
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("This is in service; there is nothing to end."));
        end(vehicle, outage, who);
    }

    /** Ends it with what it holds back: of the two neither is ever done without the other. */
    private void end(FleetVehicle vehicle, Outage outage, String who) {
        writer.make(view -> vehicle.outages().contains(outage)
                ? Decision.make(pen -> {
                    close(pen, vehicle, outage);
                    actions.bringBack(pen, vehicle, outage::hasHeldBack, who);
                    return Done.by(deed(DeedKind.PUT_BACK, vehicle, outage, "ended " + outage.words()));
                })
                : Decision.nothing(null));
    }

    private void close(Pen pen, FleetVehicle vehicle, Outage outage) {
        pen.session()
                .createMutationQuery("update OutageRow set endedAt = :now where id = :id")
                .setParameter("now", clock.instant())
                .setParameter("id", outage.id())
                .executeUpdate();
        vehicle.out(vehicle.outages().stream()
                .filter(one -> one.id() != outage.id())
                .toList());
    }

    /** A whole vehicle that is moved to another state is out until no time that was said before. */
    public void forgetVehicle(Pen pen, FleetVehicle vehicle) {
        vehicle.outages().stream().filter(Outage::isVehicle).forEach(outage -> close(pen, vehicle, outage));
    }

    private static Deed deed(DeedKind kind, FleetVehicle vehicle, Outage outage, String words) {
        Deed deed = Deed.of(
                kind,
                outage.position() == null ? vehicle.thing() : vehicle.thing(outage.position()),
                words + " (" + vehicle.description().ref() + ")");
        return outage.position() == null
                ? deed.at(vehicle.id())
                : deed.at(vehicle.id(), outage.position().code());
    }

    private void look() {
        fleet.vehicles().forEach(vehicle -> {
            try {
                look(vehicle);
            } catch (Refusal | WriteFailed e) {
                LOG.info(
                        "What is out of service at {} waits for the next look: {}",
                        vehicle.description().ref(),
                        e.getMessage());
            }
        });
    }

    private void look(FleetVehicle vehicle) {
        for (Outage outage : vehicle.outages()) {
            if (outage.isVehicle()) {
                continue;
            }
            if (outage.until() <= clock.millis()) {
                end(vehicle, outage, outage.by());
            } else {
                List<Long> calling = vehicle.openAlerts().stream()
                        .filter(alert -> outage.holdsBack(alert, vehicle.isUnderWay()))
                        .map(Alert::id)
                        .toList();
                actions.holdBack(calling, outage);
                callWhatIsNotOut(vehicle, outage);
            }
        }
    }

    /** What was held back while it stood, and now loses air under way, calls: it is not out of service. */
    private void callWhatIsNotOut(FleetVehicle vehicle, Outage outage) {
        if (!vehicle.isUnderWay()) {
            return;
        }
        List<Long> contradicting = vehicle.openAlerts().stream()
                .filter(outage::hasHeldBack)
                .filter(alert -> alert.kind().isHeat() || alert.kind().isLossOfAir())
                .map(Alert::id)
                .toList();
        actions.bringBack(contradicting, outage.by());
    }
}
