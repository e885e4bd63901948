package vividcaravan.server.workshop.round;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.Adjustment;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Rounded;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Rounds of pressures over some vehicles: open until every wheel reads right or has a reason, then kept as a sheet. */
@Component
class PressureRounds {

    private static final int LONGEST_REASON = 500;
    private static final int MOST_LISTED = 50;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final PressureLook look;
    private final Clock clock;
    private final JsonMapper json;

    PressureRounds(
            SessionFactory sessions,
            SingleWriter writer,
            FleetDirectory fleet,
            PressureLook look,
            Clock clock,
            JsonMapper json) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
        this.look = look;
        this.clock = clock;
        this.json = json;
    }

    /** A round with its sheet: as the wheels are now, or as they were when it ended. */
    record PressureRound(PressureRoundRow row, RoundSheet sheet) {}

    /** Opens a round. */
    PressureRound open(List<FleetVehicle> vehicles, @Nullable Double airC, String who) {
        return writer.make(view -> Decision.make(pen -> {
            StatelessSession session = pen.session();
            PressureRoundRow row = new PressureRoundRow();
            row.state = RoundState.OPEN;
            row.openedAt = clock.millis();
            row.openedBy = who;
            row.airC = airC;
            row.vehicles = json.writeValueAsString(
                    vehicles.stream().map(FleetVehicle::id).toList());
            session.insert(row);
            String over = vehicles.size() == 1 ? vehicles.get(0).description().ref() : vehicles.size() + " vehicles";
            return new Done<>(
                    round(view, row),
                    Deed.of(DeedKind.ROUND_BEGUN, thing(row.id), "began a round of pressures over " + over)
                            .at(vehicles.stream().map(FleetVehicle::id).toList())
                            .with("Temperature of the air", "\u00b0C", null, airC));
        }));
    }

    private static Thing thing(long id) {
        return new Thing(Thing.Kind.ROUND, Long.toString(id), "round " + id);
    }

    /** The newest rounds, the newest first. */
    List<PressureRound> latest() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from PressureRoundRow order by id desc", PressureRoundRow.class)
                    .setMaxResults(MOST_LISTED)
                    .getResultList()
                    .stream()
                    .map(row -> round(View.of(session), row))
                    .toList();
        }
    }

    /**
     * One round.
     *
     * @throws Refusal if there is none
     */
    PressureRound existing(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            return round(view, row(view, id));
        }
    }

    private static PressureRoundRow row(View view, long id) {
        PressureRoundRow row = view.get(PressureRoundRow.class, id);
        if (row == null) {
            throw Refusal.notFound("There is no pressure round " + id + ".");
        }
        return row;
    }

    private static PressureRoundRow openRow(View view, long id) {
        PressureRoundRow row = row(view, id);
        if (row.state != RoundState.OPEN) {
            throw Refusal.conflict("This round has ended; its sheet is kept as it is. Begin another.");
        }
        return row;
    }

    private PressureRound round(View view, PressureRoundRow row) {
        return new PressureRound(
                row, row.sheet == null ? sheet(view, row) : json.readValue(row.sheet, RoundSheet.class));
    }

    private RoundSheet sheet(View view, PressureRoundRow row) {
        List<FleetVehicle> vehicles = vehicles(row);
        Map<String, RoundReasonRow> reasons = view
                .select("from RoundReasonRow where roundId = :round order by id", RoundReasonRow.class)
                .setParameter("round", row.id)
                .getResultList()
                .stream()
                .collect(Collectors.toMap(
                        reason -> reason.vehicleId + " " + reason.position,
                        Function.identity(),
                        (earlier, later) -> later));
        double airC = row.airC == null ? look.coolestC(vehicles) : row.airC;
        return new RoundSheet(
                airC,
                row.airC == null,
                vehicles.stream()
                        .map(vehicle -> new RoundSheet.RoundVehicle(
                                vehicle.description().ref(),
                                look.at(vehicle, airC, row.airC != null, row.openedAt).stream()
                                        .map(wheel -> wheel(
                                                wheel,
                                                reasons.get(vehicle.id() + " "
                                                        + wheel.position().code())))
                                        .toList()))
                        .toList());
    }

    private List<FleetVehicle> vehicles(PressureRoundRow row) {
        return Arrays.stream(json.readValue(row.vehicles, long[].class))
                .mapToObj(id -> fleet.vehicle(id).orElseThrow())
                .toList();
    }

    private static RoundSheet.RoundWheel wheel(PressureLook.Wheel wheel, @Nullable RoundReasonRow reason) {
        Adjustment set = wheel.set();
        return new RoundSheet.RoundWheel(
                wheel.position().code(),
                wheel.position().words(),
                Rounded.tenth(wheel.targetKpa()),
                Rounded.tenth(wheel.gaugeKpa()),
                Rounded.tenth(wheel.temperatureC()),
                wheel.advice() == null ? null : Rounded.tenth(wheel.advice().targetNowKpa()),
                wheel.advice() == null ? null : wheel.advice().action(),
                wheel.advice() == null ? null : Rounded.tenth(wheel.advice().changeKpa()),
                null,
                wheel.at(),
                set == null
                        ? null
                        : new RoundSheet.SetPressure(set.beforeKpa(), set.afterKpa(), Instant.ofEpochMilli(set.at())),
                reason == null ? null : reason.reason,
                reason == null ? null : reason.who,
                wheel.isRight() || reason != null);
    }

    /**
     * Says why a wheel stays as it is, or what was found there.
     *
     * @throws Refusal if the round has ended, the wheel is none of it, or nothing is said
     */
    PressureRound give(long id, @Nullable String ref, @Nullable String code, @Nullable String reason, String who) {
        Faults.textOf(
                "reason", reason, LONGEST_REASON, "Say why this wheel stays as it is, in at most 500 characters.");
        return writer.make(view -> {
            PressureRoundRow round = openRow(view, id);
            FleetVehicle vehicle = vehicles(round).stream()
                    .filter(one -> one.description().ref().equals(ref))
                    .findFirst()
                    .orElseThrow(() -> Refusal.badRequest("vehicle", "\"" + ref + "\" is not in this round."));
            Position position = vehicle.existing(String.valueOf(code));
            boolean isSentTwice = latestReason(view, id, vehicle, position)
                    .filter(latest -> latest.who.equals(who) && latest.reason.equals(reason.strip()))
                    .isPresent();
            if (isSentTwice) {
                return Decision.nothing(round(view, round));
            }
            return Decision.make(pen -> {
                StatelessSession session = pen.session();
                RoundReasonRow row = new RoundReasonRow();
                row.roundId = id;
                row.vehicleId = vehicle.id();
                row.position = position.code();
                row.at = clock.millis();
                row.who = who;
                row.reason = reason.strip();
                session.insert(row);
                Thing wheel = vehicle.thing(position);
                return new Done<>(
                        round(view, round),
                        Deed.of(DeedKind.ROUND_REASON, thing(id), "said why " + wheel.name() + " stays as it is")
                                .at(vehicle.id(), position.code())
                                .because(reason));
            });
        });
    }

    private static Optional<RoundReasonRow> latestReason(
            View view, long round, FleetVehicle vehicle, Position position) {
        return view.select(
                        "from RoundReasonRow where roundId = :round and vehicleId = :vehicle and position = :position"
                                + " order by id desc",
                        RoundReasonRow.class)
                .setParameter("round", round)
                .setParameter("vehicle", vehicle.id())
                .setParameter("position", position.code())
                .setMaxResults(1)
                .uniqueResultOptional();
    }

    /**
     * Ends a round; its sheet is kept as it is now.
     *
     * @param isGivenUp whether it ends though wheels are not settled
     * @throws Refusal if wheels are not settled and it is not given up
     */
    PressureRound end(long id, boolean isGivenUp, String who) {
        return writer.make(view -> {
            PressureRoundRow row = openRow(view, id);
            RoundSheet sheet = sheet(view, row);
            if (!isGivenUp && sheet.unsettled() > 0) {
                throw Refusal.conflict(
                        sheet.unsettled() == 1
                                ? "One wheel neither reads right nor has a reason. Look at it, or say why it stays so."
                                : sheet.unsettled()
                                        + " wheels neither read right nor have a reason. Look at them, or say why they stay so.");
            }
            row.state = isGivenUp ? RoundState.GIVEN_UP : RoundState.DONE;
            row.closedAt = clock.millis();
            row.closedBy = who;
            row.sheet = json.writeValueAsString(sheet);
            return Decision.make(pen -> {
                pen.session().update(row);
                String how = isGivenUp ? "gave up round " : "ended round ";
                return new Done<>(
                        new PressureRound(row, sheet),
                        Deed.of(DeedKind.ROUND_ENDED, thing(id), how + id)
                                .at(vehicles(row).stream().map(FleetVehicle::id).toList())
                                .with("Wheels not settled", null, sheet.unsettled()));
            });
        });
    }
}
