package vividcaravan.server.vehicles;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.Reading;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.PressureBand;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.SingleWriter;

/** Changes limits at any level: shows first what that comes to, then makes it for all or for none, and can undo it. */
@Component
class LimitSetting {

    private final SingleWriter writer;
    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final VehicleStore store;
    private final Ids ids;
    private final Clock clock;
    private final JsonMapper json;
    private final ApplicationEventPublisher events;

    LimitSetting(
            SingleWriter writer,
            SessionFactory sessions,
            FleetDirectory fleet,
            VehicleStore store,
            Ids ids,
            Clock clock,
            JsonMapper json,
            ApplicationEventPublisher events) {
        this.writer = writer;
        this.sessions = sessions;
        this.fleet = fleet;
        this.store = store;
        this.ids = ids;
        this.clock = clock;
        this.json = json;
        this.events = events;
    }

    /** What was before a change: the levels and the axles that it touched. */
    record Kept(List<KeptLevel> levels, List<KeptAxle> axles) {}

    /** A level as it was; without limits if there was none. */
    record KeptLevel(LimitBook.@Nullable Kin kin, @Nullable LimitOverrides limits) {}

    /** An axle's own target and limits as they were. */
    record KeptAxle(String vehicle, int axle, double coldKpa, LimitOverrides limits) {}

    /** The whole fleet as it would be. */
    private record Plan(LimitBook book, Map<VehicleInService, VehicleDescription> vehicles, Kept kept) {}

    /**
     * Shows what a change comes to, and makes it if that is wanted and nothing speaks against it.
     *
     * @throws Refusal if the change itself makes no sense
     */
    LimitPreview change(LimitEdit edit, boolean isPreview, String who) {
        if (isPreview) {
            return preview(plan(edit));
        }
        return writer.write(session -> {
            Plan plan = plan(edit);
            LimitPreview preview = preview(plan);
            boolean isNothing = plan.vehicles().isEmpty() && plan.book().equals(fleet.book());
            if (!preview.faults().isEmpty() || isNothing) {
                return preview;
            }
            String batch = Long.toString(make(session, plan, words(edit), who));
            return new LimitPreview(preview.axles(), preview.opens(), preview.closes(), List.of(), batch);
        });
    }

    private static String words(LimitEdit edit) {
        return switch (edit.level()) {
            case FLEET -> "the fleet's policy";
            case TEMPLATE -> "the template of " + edit.kind() + ", " + edit.role();
            case AXLES -> "limits of axles";
        };
    }

    private Plan plan(LimitEdit edit) {
        if (edit.level() == null) {
            throw Refusal.badRequest("level", "Say whose limits are changed: FLEET, TEMPLATE or AXLES.");
        }
        LimitBook book = fleet.book();
        return switch (edit.level()) {
            case FLEET -> {
                LimitOverrides wanted = edit.over(LimitOverrides.of(book.policy()));
                List<LimitFault> faults = wanted.faultsOver(LimitPolicy.DEFAULT);
                refuse(faults);
                LimitBook after = new LimitBook(wanted.over(LimitPolicy.DEFAULT), book.templates());
                after.templates().values().forEach(template -> refuse(after.faultsOf(template)));
                yield under(after, new KeptLevel(null, LimitOverrides.of(book.policy())));
            }
            case TEMPLATE -> {
                LimitBook.Kin kin =
                        edit.kin().orElseThrow(() -> Refusal.badRequest("kind", "A template is of a kind and a role."));
                LimitOverrides before = book.templates().getOrDefault(kin, LimitOverrides.NONE);
                LimitOverrides wanted = edit.over(before);
                refuse(book.faultsOf(wanted));
                Map<LimitBook.Kin, LimitOverrides> templates = new HashMap<>(book.templates());
                templates.remove(kin);
                if (!wanted.isEmpty()) {
                    templates.put(kin, wanted);
                }
                yield under(new LimitBook(book.policy(), templates), new KeptLevel(kin, before));
            }
            case AXLES -> axles(edit, book);
        };
    }

    private static void refuse(List<LimitFault> faults) {
        if (!faults.isEmpty()) {
            throw Refusal.badRequest(
                    faults.get(0).message(),
                    faults.stream()
                            .map(fault -> new Refusal.Fault(fault.field(), fault.message()))
                            .toList());
        }
    }

    private Plan under(LimitBook after, KeptLevel before) {
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        fleet.vehicles()
                .forEach(vehicle -> vehicles.put(vehicle, vehicle.description().under(after)));
        return new Plan(after, vehicles, new Kept(List.of(before), List.of()));
    }

    private Plan axles(LimitEdit edit, LimitBook book) {
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        List<KeptAxle> kept = new ArrayList<>();
        for (VehicleInService vehicle : fleet.vehicles()) {
            VehicleDescription before = vehicle.description();
            List<AxleDescription> axles = new ArrayList<>(before.axles());
            for (int number = 1; number <= axles.size(); number++) {
                if (edit.finds(before, number)) {
                    AxleDescription axle = axles.get(number - 1);
                    kept.add(new KeptAxle(before.ref(), number, axle.targets().roadKpa(), axle.overrides()));
                    double cold =
                            edit.coldPressureKpa() == null ? axle.targets().roadKpa() : edit.coldPressureKpa();
                    axles.set(number - 1, with(axle, cold, edit.over(axle.overrides())));
                }
            }
            if (!axles.equals(before.axles())) {
                vehicles.put(vehicle, before.with(axles));
            }
        }
        if (kept.isEmpty()) {
            throw Refusal.badRequest("kind", "No axle fits what was chosen; nothing would change.");
        }
        return new Plan(book, vehicles, new Kept(List.of(), kept));
    }

    private static AxleDescription with(AxleDescription axle, double coldKpa, LimitOverrides overrides) {
        return new AxleDescription(
                axle.axle(),
                new AxleTargets(coldKpa, axle.targets().others()),
                overrides,
                axle.duty(),
                axle.tyre(),
                axle.isBallasted(),
                axle.isSelfInflating());
    }

    private LimitPreview preview(Plan plan) {
        List<LimitPreview.ChangedAxle> axles = new ArrayList<>();
        List<LimitPreview.ChangedWheel> opens = new ArrayList<>();
        List<LimitPreview.ChangedWheel> closes = new ArrayList<>();
        List<LimitPreview.LimitFaultAt> faults = new ArrayList<>();
        plan.vehicles().forEach((vehicle, after) -> {
            VehicleDescription before = vehicle.description();
            for (int number = 1; number <= after.axles().size(); number++) {
                AxleDescription axle = after.axles().get(number - 1);
                List<LimitFault> wrong = faults(after, axle);
                if (wrong.isEmpty()) {
                    wrong = beyondItsSensors(vehicle, number, after.limits(axle));
                }
                for (LimitFault fault : wrong) {
                    faults.add(new LimitPreview.LimitFaultAt(after.ref(), number, fault.field(), fault.message()));
                }
                AxleLimits was = before.limits(before.axles().get(number - 1));
                if (wrong.isEmpty() && !was.equals(after.limits(axle))) {
                    AxleLimits is = after.limits(axle);
                    axles.add(
                            new LimitPreview.ChangedAxle(after.ref(), number, WheelLimits.of(was), WheelLimits.of(is)));
                    addWheels(vehicle, number, was, is, opens, closes);
                }
            }
        });
        return new LimitPreview(axles, opens, closes, faults, null);
    }

    /** Limits have to stand in every use that the axle has a target for. */
    private static List<LimitFault> faults(VehicleDescription vehicle, AxleDescription axle) {
        List<LimitFault> faults = new ArrayList<>();
        List<VehicleUse> uses = new ArrayList<>(axle.targets().uses());
        uses.add(VehicleUse.ROAD);
        for (VehicleUse use : uses) {
            LimitPolicy inherited = vehicle.usedFor(use).inherited(axle);
            faults.addAll(axle.overrides().faultsOver(inherited));
            if (faults.isEmpty()) {
                faults.addAll(axle.targets().faults(axle.overrides().over(inherited)));
            }
            if (!faults.isEmpty()) {
                return faults;
            }
        }
        axle.tyre()
                .faultsOf(axle.targets().roadKpa())
                .forEach(fault -> faults.add(new LimitFault(fault.field(), fault.message())));
        return faults;
    }

    /** A limit that a sensor cannot reach is never raised. */
    private List<LimitFault> beyondItsSensors(VehicleInService vehicle, int axle, AxleLimits limits) {
        OptionalDouble range = vehicle.sensors().entrySet().stream()
                .filter(entry -> entry.getKey().axle() == axle)
                .flatMap(entry -> entry.getValue().mount().stream())
                .map(mount -> fleet.make(mount).rangeKpa())
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .min();
        return range.isPresent() && limits.highKpa() > range.getAsDouble()
                ? List.of(new LimitFault(
                        "highPct",
                        "The high limit of " + Math.round(limits.highKpa()) + " kPa is beyond the "
                                + Math.round(range.getAsDouble()) + " kPa that its sensors can measure."))
                : List.of();
    }

    private static void addWheels(
            VehicleInService vehicle,
            int axle,
            AxleLimits was,
            AxleLimits is,
            List<LimitPreview.ChangedWheel> opens,
            List<LimitPreview.ChangedWheel> closes) {
        vehicle.sensors().forEach((position, sensor) -> {
            Reading newest = sensor.newest();
            if (position.axle() != axle || newest == null || !newest.isMeasurement()) {
                return;
            }
            PressureBand before = PressureBand.of(was, judged(vehicle, was, newest));
            PressureBand after = PressureBand.of(is, judged(vehicle, is, newest));
            if (before == after) {
                return;
            }
            (after == PressureBand.IN_BAND ? closes : opens)
                    .add(new LimitPreview.ChangedWheel(
                            vehicle.description().ref(), position.code(), words(position, after)));
        });
    }

    private static double judged(VehicleInService vehicle, AxleLimits limits, Reading reading) {
        return limits.policy().basis() == Basis.COMPENSATED
                ? vehicle.compensation().compensateKpa(reading.pressureKpa(), reading.temperatureC())
                : reading.pressureKpa();
    }

    private static String words(Position position, PressureBand band) {
        return position.words()
                + switch (band) {
                    case BELOW_SECOND -> " would be below the second low limit";
                    case BELOW_FIRST -> " would be below the first low limit";
                    case ABOVE -> " would be over the high limit";
                    case IN_BAND -> " would be in band";
                };
    }

    private long make(StatelessSession session, Plan plan, String words, String who) {
        for (KeptLevel level : plan.kept().levels()) {
            LimitOverrides now = level.kin() == null
                    ? LimitOverrides.of(plan.book().policy())
                    : plan.book().templates().get(level.kin());
            store.storeLevel(session, level.kin(), now);
        }
        fleet.holdTo(plan.book());
        plan.vehicles().forEach((vehicle, after) -> {
            boolean isAxleChanged = !vehicle.description().axles().equals(after.axles());
            store.holdTo(session, vehicle, after, isAxleChanged);
            events.publishEvent(new VehicleRedescribed(session, vehicle));
        });
        LimitBatchRow row = new LimitBatchRow();
        ids.load(session, "limit_batch", "id");
        row.id = ids.next("limit_batch");
        row.at = clock.millis();
        row.who = who;
        row.words = words;
        row.kept = json.writeValueAsString(plan.kept());
        session.insert(row);
        return row.id;
    }

    /**
     * Undoes a change: limits are again what they were before it.
     *
     * @throws Refusal if there was no such change or it was undone already
     */
    LimitPreview undo(long batch, String who) {
        return writer.write(session -> {
            LimitBatchRow row = session.get(LimitBatchRow.class, batch);
            if (row == null || row.undoneAt != null) {
                throw Refusal.notFound("There is no change " + batch + " that could be undone.");
            }
            Plan plan = planOf(json.readValue(row.kept, Kept.class));
            LimitPreview preview = preview(plan);
            if (!preview.faults().isEmpty()) {
                throw Refusal.conflict("It cannot be undone: by what was changed since, "
                        + preview.faults().get(0).message());
            }
            make(session, plan, "undone: " + row.words, who);
            row.undoneAt = clock.millis();
            session.update(row);
            return preview;
        });
    }

    private Plan planOf(Kept kept) {
        LimitBook now = fleet.book();
        LimitPolicy policy = now.policy();
        Map<LimitBook.Kin, LimitOverrides> templates = new HashMap<>(now.templates());
        List<KeptLevel> levels = new ArrayList<>();
        for (KeptLevel level : kept.levels()) {
            LimitOverrides limits = level.limits() == null ? LimitOverrides.NONE : level.limits();
            if (level.kin() == null) {
                levels.add(new KeptLevel(null, LimitOverrides.of(policy)));
                policy = limits.over(LimitPolicy.DEFAULT);
            } else {
                levels.add(new KeptLevel(level.kin(), templates.getOrDefault(level.kin(), LimitOverrides.NONE)));
                templates.remove(level.kin());
                if (!limits.isEmpty()) {
                    templates.put(level.kin(), limits);
                }
            }
        }
        LimitBook book = new LimitBook(policy, templates);
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        List<KeptAxle> axles = new ArrayList<>();
        for (VehicleInService vehicle : fleet.vehicles()) {
            VehicleDescription before = vehicle.description();
            List<AxleDescription> restored = new ArrayList<>(before.axles());
            for (KeptAxle axle : kept.axles()) {
                if (axle.vehicle().equals(before.ref()) && axle.axle() <= restored.size()) {
                    AxleDescription present = restored.get(axle.axle() - 1);
                    axles.add(new KeptAxle(
                            before.ref(), axle.axle(), present.targets().roadKpa(), present.overrides()));
                    restored.set(axle.axle() - 1, with(present, axle.coldKpa(), axle.limits()));
                }
            }
            VehicleDescription after = before.with(restored).under(book);
            if (!after.equals(before)) {
                vehicles.put(vehicle, after);
            }
        }
        return new Plan(book, vehicles, new Kept(levels, axles));
    }

    /** A change that was made. */
    record MadeChange(String id, long at, String who, String words, boolean isUndone) {}

    /** The last changes, the newest first. */
    List<MadeChange> latest() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from LimitBatchRow order by id desc", LimitBatchRow.class)
                    .setMaxResults(20)
                    .getResultList()
                    .stream()
                    .map(row -> new MadeChange(Long.toString(row.id), row.at, row.who, row.words, row.undoneAt != null))
                    .toList();
        }
    }
}
