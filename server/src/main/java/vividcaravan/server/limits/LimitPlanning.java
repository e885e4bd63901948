package vividcaravan.server.limits;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitFault;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;

/** Works out what a change of limits comes to for every level and axle, without changing anything. */
@Component
class LimitPlanning {

    private static final String COLD = "coldPressureKpa";

    private final FleetDirectory fleet;

    LimitPlanning(FleetDirectory fleet) {
        this.fleet = fleet;
    }

    /**
     * What an edit comes to.
     *
     * @throws Refusal if the change itself makes no sense
     */
    LimitPlan plan(LimitEdit edit) {
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

    /**
     * What undoing a change comes to: what it changed is again what it was before.
     *
     * @throws Refusal if something it changed was changed again since
     */
    LimitPlan undoing(LimitPlan.Kept kept) {
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
}
