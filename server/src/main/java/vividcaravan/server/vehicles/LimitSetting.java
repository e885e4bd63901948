package vividcaravan.server.vehicles;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.SingleWriter;

/** Changes limits at any level: shows first what that comes to, then makes it for all or for none, and can undo it. */
@Component
class LimitSetting {

    private final SingleWriter writer;
    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final LimitOutlook outlook;
    private final VehicleStore store;
    private final Ids ids;
    private final Clock clock;
    private final JsonMapper json;
    private final ApplicationEventPublisher events;

    LimitSetting(
            SingleWriter writer,
            SessionFactory sessions,
            FleetDirectory fleet,
            LimitOutlook outlook,
            VehicleStore store,
            Ids ids,
            Clock clock,
            JsonMapper json,
            ApplicationEventPublisher events) {
        this.writer = writer;
        this.sessions = sessions;
        this.fleet = fleet;
        this.outlook = outlook;
        this.store = store;
        this.ids = ids;
        this.clock = clock;
        this.json = json;
        this.events = events;
    }

    /**
     * Shows what a change comes to, and makes it if that is wanted and nothing speaks against it.
     *
     * @throws Refusal if the change itself makes no sense
     */
    LimitPreview change(LimitEdit edit, boolean isPreview, String who) {
        if (isPreview) {
            return outlook.of(plan(edit));
        }
        return writer.write(session -> {
            LimitPlan plan = plan(edit);
            LimitPreview preview = outlook.of(plan);
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

    private LimitPlan plan(LimitEdit edit) {
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
                yield under(after, new LimitPlan.KeptLevel(null, LimitOverrides.of(book.policy())));
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
                yield under(new LimitBook(book.policy(), templates), new LimitPlan.KeptLevel(kin, before));
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

    private LimitPlan under(LimitBook after, LimitPlan.KeptLevel before) {
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        fleet.vehicles()
                .forEach(vehicle -> vehicles.put(vehicle, vehicle.description().under(after)));
        return new LimitPlan(after, vehicles, new LimitPlan.Kept(List.of(before), List.of()));
    }

    private LimitPlan axles(LimitEdit edit, LimitBook book) {
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        List<LimitPlan.KeptAxle> kept = new ArrayList<>();
        for (VehicleInService vehicle : fleet.vehicles()) {
            VehicleDescription before = vehicle.description();
            List<AxleDescription> axles = new ArrayList<>(before.axles());
            for (int number = 1; number <= axles.size(); number++) {
                if (edit.finds(before, number)) {
                    AxleDescription axle = axles.get(number - 1);
                    kept.add(new LimitPlan.KeptAxle(
                            before.ref(), number, axle.targets().roadKpa(), axle.overrides()));
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
        return new LimitPlan(book, vehicles, new LimitPlan.Kept(List.of(), kept));
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

    private long make(StatelessSession session, LimitPlan plan, String words, String who) {
        for (LimitPlan.KeptLevel level : plan.kept().levels()) {
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
            LimitPlan plan = planOf(json.readValue(row.kept, LimitPlan.Kept.class));
            LimitPreview preview = outlook.of(plan);
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

    private LimitPlan planOf(LimitPlan.Kept kept) {
        LimitBook now = fleet.book();
        LimitPolicy policy = now.policy();
        Map<LimitBook.Kin, LimitOverrides> templates = new HashMap<>(now.templates());
        List<LimitPlan.KeptLevel> levels = new ArrayList<>();
        for (LimitPlan.KeptLevel level : kept.levels()) {
            LimitOverrides limits = level.limits() == null ? LimitOverrides.NONE : level.limits();
            if (level.kin() == null) {
                levels.add(new LimitPlan.KeptLevel(null, LimitOverrides.of(policy)));
                policy = limits.over(LimitPolicy.DEFAULT);
            } else {
                levels.add(
                        new LimitPlan.KeptLevel(level.kin(), templates.getOrDefault(level.kin(), LimitOverrides.NONE)));
                templates.remove(level.kin());
                if (!limits.isEmpty()) {
                    templates.put(level.kin(), limits);
                }
            }
        }
        LimitBook book = new LimitBook(policy, templates);
        Map<VehicleInService, VehicleDescription> vehicles = new LinkedHashMap<>();
        List<LimitPlan.KeptAxle> axles = new ArrayList<>();
        for (VehicleInService vehicle : fleet.vehicles()) {
            VehicleDescription before = vehicle.description();
            List<AxleDescription> restored = new ArrayList<>(before.axles());
            for (LimitPlan.KeptAxle axle : kept.axles()) {
                if (axle.vehicle().equals(before.ref()) && axle.axle() <= restored.size()) {
                    AxleDescription present = restored.get(axle.axle() - 1);
                    axles.add(new LimitPlan.KeptAxle(
                            before.ref(), axle.axle(), present.targets().roadKpa(), present.overrides()));
                    restored.set(axle.axle() - 1, with(present, axle.coldKpa(), axle.limits()));
                }
            }
            VehicleDescription after = before.with(restored).under(book);
            if (!after.equals(before)) {
                vehicles.put(vehicle, after);
            }
        }
        return new LimitPlan(book, vehicles, new LimitPlan.Kept(levels, axles));
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
