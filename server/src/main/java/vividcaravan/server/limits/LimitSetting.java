package vividcaravan.server.limits;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleRedescribed;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Changes limits at any level: shows first what that comes to, then makes it for all or for none, and can undo it. */
@Component
class LimitSetting {

    /** The target among the fields of an axle. */
    private static final String COLD = "coldPressureKpa";

    private final SingleWriter writer;
    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final LimitOutlook outlook;
    private final FleetTables store;
    private final Clock clock;
    private final JsonMapper json;
    private final ApplicationEventPublisher events;

    LimitSetting(
            SingleWriter writer,
            SessionFactory sessions,
            FleetDirectory fleet,
            LimitOutlook outlook,
            FleetTables store,
            Clock clock,
            JsonMapper json,
            ApplicationEventPublisher events) {
        this.writer = writer;
        this.sessions = sessions;
        this.fleet = fleet;
        this.outlook = outlook;
        this.store = store;
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
        return writer.make(view -> {
            LimitPlan plan = plan(edit);
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
                yield under(
                        after,
                        new LimitPlan.KeptLevel(
                                null,
                                LimitPlan.fields(LimitOverrides.of(book.policy()), LimitOverrides.of(after.policy()))));
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
                yield under(
                        new LimitBook(book.policy(), templates),
                        new LimitPlan.KeptLevel(kin, LimitPlan.fields(before, wanted)));
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

    private LimitPlan under(LimitBook after, LimitPlan.KeptLevel changed) {
        Map<FleetVehicle, VehicleDescription> vehicles = new LinkedHashMap<>();
        fleet.vehicles()
                .forEach(vehicle -> vehicles.put(vehicle, vehicle.description().under(after)));
        return new LimitPlan(after, vehicles, new LimitPlan.Kept(List.of(changed), List.of()));
    }

    private LimitPlan axles(LimitEdit edit, LimitBook book) {
        Map<FleetVehicle, VehicleDescription> vehicles = new LinkedHashMap<>();
        List<LimitPlan.KeptAxle> kept = new ArrayList<>();
        int found = 0;
        for (FleetVehicle vehicle : fleet.vehicles()) {
            VehicleDescription before = vehicle.description();
            List<AxleDescription> axles = new ArrayList<>(before.axles());
            for (int number = 1; number <= axles.size(); number++) {
                if (edit.finds(before, number)) {
                    AxleDescription axle = axles.get(number - 1);
                    double cold =
                            edit.coldPressureKpa() == null ? axle.targets().roadKpa() : edit.coldPressureKpa();
                    AxleDescription after = with(axle, cold, edit.over(axle.overrides()));
                    found++;
                    kept(vehicle, number, axle, after).ifPresent(kept::add);
                    axles.set(number - 1, after);
                }
            }
            if (!axles.equals(before.axles())) {
                vehicles.put(vehicle, before.with(axles));
            }
        }
        if (found == 0) {
            throw Refusal.badRequest("kind", "No axle fits what was chosen; nothing would change.");
        }
        return new LimitPlan(book, vehicles, new LimitPlan.Kept(List.of(), kept));
    }

    private static Optional<LimitPlan.KeptAxle> kept(
            FleetVehicle vehicle, int axle, AxleDescription before, AxleDescription after) {
        List<LimitPlan.KeptField> fields = new ArrayList<>(LimitPlan.fields(before.overrides(), after.overrides()));
        if (before.targets().roadKpa() != after.targets().roadKpa()) {
            fields.add(new LimitPlan.KeptField(
                    COLD,
                    Double.toString(before.targets().roadKpa()),
                    Double.toString(after.targets().roadKpa())));
        }
        return fields.isEmpty() ? Optional.empty() : Optional.of(new LimitPlan.KeptAxle(vehicle.id(), axle, fields));
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
            events.publishEvent(new VehicleRedescribed(pen, vehicle));
        });
        LimitBatchRow row = new LimitBatchRow();
        row.at = clock.millis();
        row.who = who;
        row.words = words;
        row.kept = json.writeValueAsString(plan.kept());
        row.format = LimitBatchRow.FIELDS;
        session.insert(row);
        return row.id;
    }

    /**
     * Undoes a change: what it changed is again what it was before, and nothing else is touched.
     *
     * @throws Refusal if there was no such change, it was undone already, or something it changed was changed again since
     */
    LimitPreview undo(long batch, String who) {
        return writer.make(view -> {
            LimitBatchRow row = view.get(LimitBatchRow.class, batch);
            if (row == null || row.undoneAt != null) {
                throw Refusal.notFound("There is no change " + batch + " that could be undone.");
            }
            if (row.format != LimitBatchRow.FIELDS) {
                throw Refusal.conflict(
                        "This change was made with an earlier version, which did not keep what it takes to"
                                + " undo it safely. Set the limits by hand.");
            }
            LimitPlan plan = undoing(json.readValue(row.kept, LimitPlan.Kept.class));
            LimitPreview preview = outlook.of(plan);
            if (!preview.faults().isEmpty()) {
                throw Refusal.conflict("It cannot be undone: by what was changed since, "
                        + preview.faults().get(0).message());
            }
            return Decision.make(pen -> {
                Deed deed = LimitDeeds.undone(plan, row.words, fleet.book());
                make(pen, plan, "undone: " + row.words, who);
                row.undoneAt = clock.millis();
                pen.session().update(row);
                return new Done<>(preview, deed);
            });
        });
    }

    private LimitPlan undoing(LimitPlan.Kept kept) {
        Faults changedSince = new Faults();
        LimitBook book = undoing(kept.levels(), changedSince);
        Map<FleetVehicle, VehicleDescription> vehicles = new LinkedHashMap<>();
        if (!book.equals(fleet.book())) {
            fleet.vehicles()
                    .forEach(vehicle ->
                            vehicles.put(vehicle, vehicle.description().under(book)));
        }
        for (LimitPlan.KeptAxle axle : kept.axles()) {
            Optional<FleetVehicle> vehicle = fleet.vehicle(axle.vehicle());
            VehicleDescription described = vehicle.map(known ->
                            vehicles.getOrDefault(known, known.description().under(book)))
                    .orElse(null);
            if (described == null || axle.axle() > described.axles().size()) {
                changedSince.add("axle " + axle.axle(), "There is no such axle any more.");
                continue;
            }
            List<AxleDescription> axles = new ArrayList<>(described.axles());
            String where = described.ref() + ", axle " + axle.axle();
            axles.set(axle.axle() - 1, undone(axles.get(axle.axle() - 1), axle.fields(), where, changedSince));
            vehicles.put(vehicle.get(), described.with(axles));
        }
        changedSince.refuseAsConflict(faults -> "It cannot be undone, because it was changed again since: "
                + faults.get(0).field() + ". " + faults.get(0).message() + " Set the limits as they are to be.");
        return new LimitPlan(
                book,
                vehicles,
                new LimitPlan.Kept(
                        kept.levels().stream()
                                .map(level -> new LimitPlan.KeptLevel(level.kin(), undone(level.fields())))
                                .toList(),
                        kept.axles().stream()
                                .map(axle -> new LimitPlan.KeptAxle(axle.vehicle(), axle.axle(), undone(axle.fields())))
                                .toList()));
    }

    private static List<LimitPlan.KeptField> undone(List<LimitPlan.KeptField> fields) {
        return fields.stream().map(LimitPlan.KeptField::undone).toList();
    }

    private LimitBook undoing(List<LimitPlan.KeptLevel> levels, Faults changedSince) {
        LimitBook now = fleet.book();
        LimitPolicy policy = now.policy();
        Map<LimitBook.Kin, LimitOverrides> templates = new HashMap<>(now.templates());
        for (LimitPlan.KeptLevel level : levels) {
            if (level.kin() == null) {
                policy = undone(LimitOverrides.of(policy), level.fields(), "the fleet's policy", changedSince)
                        .over(LimitPolicy.DEFAULT);
            } else {
                LimitOverrides before = templates.getOrDefault(level.kin(), LimitOverrides.NONE);
                String where = "the template of " + LimitDeeds.words(level.kin());
                LimitOverrides after = undone(before, level.fields(), where, changedSince);
                templates.remove(level.kin());
                if (!after.isEmpty()) {
                    templates.put(level.kin(), after);
                }
            }
        }
        return new LimitBook(policy, templates);
    }

    private static AxleDescription undone(
            AxleDescription now, List<LimitPlan.KeptField> fields, String where, Faults changedSince) {
        double cold = now.targets().roadKpa();
        for (LimitPlan.KeptField field : fields) {
            if (field.field().equals(COLD)) {
                if (cold != Double.parseDouble(field.after())) {
                    changedSince.add(where, "The target is " + cold + " kPa by now.");
                }
                cold = Double.parseDouble(field.before());
            }
        }
        return with(now, cold, undone(now.overrides(), fields, where, changedSince));
    }

    private static LimitOverrides undone(
            LimitOverrides now, List<LimitPlan.KeptField> fields, String where, Faults changedSince) {
        LimitOverrides undone = now;
        for (LimitPlan.KeptField field : fields) {
            LimitName name = LimitName.of(field.field()).orElse(null);
            if (name == null) {
                continue;
            }
            if (!name.text(now).equals(Optional.ofNullable(field.after()))) {
                changedSince.add(where, name.field() + " is " + name.text(now).orElse("inherited") + " by now.");
            }
            undone = name.with(undone, Optional.ofNullable(field.before()));
        }
        return undone;
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
