package vividcaravan.server.limits;

import java.util.List;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Changes limits at any level: shows first what that comes to, then makes it for all or for none, and can undo it. */
@Component
class LimitSetting {

    /** The target among the fields of an axle. */
    private final SingleWriter writer;

    private final FleetDirectory fleet;
    private final LimitPlanning planning;
    private final LimitOutlook outlook;
    private final LimitBatches batches;
    private final FleetTables store;
    private final ApplicationEventPublisher events;

    LimitSetting(
            SingleWriter writer,
            FleetDirectory fleet,
            LimitPlanning planning,
            LimitOutlook outlook,
            LimitBatches batches,
            FleetTables store,
            ApplicationEventPublisher events) {
        this.writer = writer;
        this.fleet = fleet;
        this.planning = planning;
        this.outlook = outlook;
        this.batches = batches;
        this.store = store;
        this.events = events;
    }

    /**
     * Shows what a change comes to, and makes it if that is wanted and nothing speaks against it.
     *
     * @throws Refusal if the change itself makes no sense
     */
    LimitPreview change(LimitEdit edit, boolean isPreview, String who) {
        if (isPreview) {
            return outlook.of(planning.plan(edit));
        }
        return writer.make(view -> {
            LimitPlan plan = planning.plan(edit);
            LimitPreview preview = outlook.of(plan);
            boolean isNothing = plan.vehicles().isEmpty() && plan.book().equals(fleet.book());
            if (!preview.faults().isEmpty() || isNothing) {
                return Decision.nothing(preview);
            }
            return Decision.make(pen -> {
                Deed deed = LimitDeeds.changed(plan, words(edit), fleet.book());
                String batch = Long.toString(make(pen, plan, words(edit), who));
                return new Done<>(
                        new LimitPreview(preview.axles(), preview.opens(), preview.closes(), List.of(), batch), deed);
            });
        });
    }

    private static String words(LimitEdit edit) {
        return switch (edit.level()) {
            case FLEET -> "the fleet's policy";
            case TEMPLATE ->
                "the template of " + edit.kin().map(LimitDeeds::words).orElse("a kind and a role");
            case AXLES -> "limits of axles";
        };
    }

    private long make(Pen pen, LimitPlan plan, String words, String who) {
        StatelessSession session = pen.session();
        for (LimitPlan.KeptLevel level : plan.kept().levels()) {
            LimitOverrides now = level.kin() == null
                    ? LimitOverrides.of(plan.book().policy())
                    : plan.book().templates().get(level.kin());
            store.storeLevel(session, level.kin(), now);
        }
        fleet.holdTo(plan.book());
        plan.vehicles().forEach((vehicle, after) -> {
            boolean isAxleChanged = !vehicle.description().axles().equals(after.axles());
            store.holdTo(pen, vehicle, after, isAxleChanged);
            events.publishEvent(VehicleRedescribed.withSameWheels(pen, vehicle));
        });
        return batches.keep(session, plan.kept(), words, who);
    }

    /**
     * Undoes a change: what it changed is again what it was before, and nothing else is touched.
     *
     * @throws Refusal if there was no such change, it was undone already, or something it changed was changed again since
     */
    LimitPreview undo(long batch, String who) {
        return writer.make(view -> {
            LimitBatchRow row = batches.undoable(view, batch);
            LimitPlan plan = planning.undoing(batches.kept(row));
            LimitPreview preview = outlook.of(plan);
            if (!preview.faults().isEmpty()) {
                throw Refusal.conflict("It cannot be undone: by what was changed since, "
                        + preview.faults().get(0).message());
            }
            return Decision.make(pen -> {
                Deed deed = LimitDeeds.undone(plan, row.words, fleet.book());
                make(pen, plan, "undone: " + row.words, who);
                batches.undone(pen.session(), row);
                return new Done<>(preview, deed);
            });
        });
    }
}
