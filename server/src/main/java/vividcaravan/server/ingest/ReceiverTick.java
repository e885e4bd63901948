package vividcaravan.server.ingest;

import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Finding;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.Write;

/**
 * The one judgement that no reading can give: a vehicle whose readings came in as they were measured went quiet as a whole
 * while it was moving. Asked by the live clock; a vehicle whose past is being sent is none of its business.
 */
@Component
class ReceiverTick implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(ReceiverTick.class);
    /** So many at once are not a matter of their receivers. */
    private static final int TOO_MANY = 3;

    private static final long LATELY_MILLIS = TimeUnit.HOURS.toMillis(1);

    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final AlertStore alerts;
    private final JournalClosing closing;
    private final Clock clock;
    private final long quietMillis;
    /** Since when vehicles have been heard as they measured without such a pause, clock time; only the tick's thread knows it. */
    private final Map<Long, Long> heardSince = new HashMap<>();

    private long coupledAt;

    ReceiverTick(
            SingleWriter writer,
            FleetDirectory fleet,
            AlertStore alerts,
            JournalClosing closing,
            Clock clock,
            VividProperties properties) {
        this.writer = writer;
        this.fleet = fleet;
        this.alerts = alerts;
        this.closing = closing;
        this.clock = clock;
        this.quietMillis = properties.receiverQuiet().toMillis();
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("look-for-quiet-receivers", Duration.ZERO, Duration.ofSeconds(10), this::tick));
    }

    void tick() {
        long now = clock.millis();
        List<FleetVehicle> live = fleet.vehicles().stream()
                .filter(vehicle -> vehicle.heardLiveAt() >= now - LATELY_MILLIS)
                .toList();
        List<FleetVehicle> quiet = live.stream()
                .filter(vehicle -> vehicle.heardLiveAt() <= now - quietMillis)
                .toList();
        Set<Long> listenedTo = listenedTo(live, now);
        List<FleetVehicle> coupled = coupledToLookAt(listenedTo, now);
        if (quiet.isEmpty() && coupled.isEmpty() || !writer.isRunning() || writer.isBroken()) {
            return;
        }
        boolean isOurs = quiet.size() > TOO_MANY && quiet.size() > live.size() / 2;
        if (isOurs) {
            LOG.warn(
                    "{} of {} vehicles went quiet together; look at the line their readings come by",
                    quiet.size(),
                    live.size());
            return;
        }
        try {
            writer.take(new Look(quiet, coupled, listenedTo, now));
        } catch (Refusal busy) {
            // The next tick looks again.
            LOG.debug("Too busy to look for silent receivers", busy);
        }
    }

    /**
     * The vehicles that were heard all the while. Of one whose readings come in again after a pause, or after a restart, the past may
     * come before that of whatever hangs behind it; until then nothing follows from what is not heard.
     */
    private Set<Long> listenedTo(List<FleetVehicle> live, long now) {
        Set<Long> heard = new HashSet<>();
        for (FleetVehicle vehicle : live) {
            if (vehicle.heardLiveAt() > now - quietMillis) {
                heard.add(vehicle.id());
                heardSince.putIfAbsent(vehicle.id(), now);
            }
        }
        heardSince.keySet().retainAll(heard);
        return heardSince.entrySet().stream()
                .filter(one -> one.getValue() <= now - quietMillis)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    /** Who may have to be asked: what only its judge knows, the writer looks up. Once a minute is enough for quarters of an hour. */
    private List<FleetVehicle> coupledToLookAt(Set<Long> listenedTo, long now) {
        if (now - coupledAt < TimeUnit.MINUTES.toMillis(1)) {
            return List.of();
        }
        coupledAt = now;
        return fleet.vehicles().stream()
                .filter(vehicle -> {
                    List<FleetVehicle> all = fleet.combination(vehicle, now);
                    return all.size() == 1
                            ? isSaidToBeSilent(vehicle)
                            : vehicle.isInService()
                                    && vehicle.heardLiveAt() <= now - quietMillis
                                    && all.stream().anyMatch(other -> listenedTo.contains(other.id()));
                })
                .toList();
    }

    private static boolean isSaidToBeSilent(FleetVehicle vehicle) {
        return vehicle.openAlerts().stream().anyMatch(alert -> alert.kind() == AlertKind.RECEIVER_SILENT);
    }

    /** One that hangs together with another that drives is not asleep, whatever it did when it was last heard. */
    private boolean isQuietWhilePulled(FleetVehicle vehicle, Set<Long> listenedTo, long now) {
        if (!vehicle.judge().isQuiet(now, quietMillis)) {
            return false;
        }
        List<FleetVehicle> before = fleet.combination(vehicle, now - quietMillis);
        return fleet.combination(vehicle, now).stream()
                .anyMatch(other -> other.id() != vehicle.id()
                        && listenedTo.contains(other.id())
                        && before.contains(other)
                        && other.judge().hasMovedFor(now, quietMillis));
    }

    private boolean isLooseAgain(FleetVehicle vehicle, long now) {
        return vehicle.judge().isReceiverSilent()
                && fleet.combination(vehicle, now).size() == 1;
    }

    private final class Look implements Write<Void> {

        private final List<FleetVehicle> quiet;
        private final List<FleetVehicle> coupled;
        private final Set<Long> listenedTo;
        private final long now;

        Look(List<FleetVehicle> quiet, List<FleetVehicle> coupled, Set<Long> listenedTo, long now) {
            this.quiet = quiet;
            this.coupled = coupled;
            this.listenedTo = listenedTo;
            this.now = now;
        }

        @Override
        public Void make(Pen pen) {
            for (FleetVehicle vehicle : quiet) {
                if (vehicle.heardLiveAt() > now - quietMillis) {
                    continue;
                }
                vehicle.heardLive(FleetVehicle.NOT_LIVE);
                if (vehicle.judge().isReceiverQuiet(now, quietMillis)) {
                    vehicle.judge().receiverFellSilent(now, finding -> keep(pen, vehicle, finding));
                    // What no reading says has to be kept, or a restart would forget to take it back.
                    closing.save(pen.session(), vehicle);
                }
            }
            for (FleetVehicle vehicle : coupled) {
                if (isQuietWhilePulled(vehicle, listenedTo, now)) {
                    vehicle.judge().receiverFellSilent(now, finding -> keep(pen, vehicle, finding));
                    closing.save(pen.session(), vehicle);
                } else if (isLooseAgain(vehicle, now)) {
                    vehicle.judge().uncoupled(now, finding -> keep(pen, vehicle, finding));
                    if (!vehicle.judge().isReceiverSilent()) {
                        closing.save(pen.session(), vehicle);
                    }
                }
            }
            return null;
        }

        private void keep(Pen pen, FleetVehicle vehicle, Finding finding) {
            vehicle.book().apply(finding).ifPresent(alert -> alerts.save(pen, vehicle, alert));
        }
    }
}
