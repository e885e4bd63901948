package vividcaravan.server.limits;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.server.fleet.DescriptionDifferences;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;

/** Changes of limits as the logbook says them; to be made before the change is, since they compare with what is. */
final class LimitDeeds {

    private LimitDeeds() {}

    /** A kind of vehicle and a role of axle in words. */
    static String words(LimitBook.Kin kin) {
        return kin.kind().words() + ", " + kin.role().words() + " axle";
    }

    static Deed changed(LimitPlan plan, String what, LimitBook now) {
        return of(DeedKind.LIMITS_CHANGED, "changed " + what, plan, now);
    }

    static Deed undone(LimitPlan plan, String what, LimitBook now) {
        return of(DeedKind.LIMITS_UNDONE, "undid a change of limits: " + what, plan, now);
    }

    private static Deed of(DeedKind kind, String words, LimitPlan plan, LimitBook now) {
        List<Difference> differences = new ArrayList<>();
        for (LimitPlan.KeptLevel level : plan.kept().levels()) {
            differences.addAll(
                    level.kin() == null
                            ? DescriptionDifferences.between(
                                    "Fleet",
                                    LimitOverrides.of(now.policy()),
                                    LimitOverrides.of(plan.book().policy()))
                            : DescriptionDifferences.between(
                                    words(level.kin()),
                                    now.templates().getOrDefault(level.kin(), LimitOverrides.NONE),
                                    plan.book().templates().getOrDefault(level.kin(), LimitOverrides.NONE)));
        }
        Set<Long> touched = new TreeSet<>();
        plan.kept().axles().forEach(axle -> touched.add(axle.vehicle()));
        for (FleetVehicle vehicle : plan.vehicles().keySet()) {
            if (touched.contains(vehicle.id())) {
                DescriptionDifferences.between(
                                vehicle.description(), plan.vehicles().get(vehicle))
                        .forEach(one -> differences.add(new Difference(
                                vehicle.description().ref() + ", " + one.what(),
                                one.unit(),
                                one.before(),
                                one.after())));
            }
        }
        String where = touched.isEmpty() ? words : words + " of " + vehicles(plan, touched);
        return Deed.of(kind, new Thing(Thing.Kind.LIMIT, "limits", "limits"), where)
                .at(touched)
                .with(differences);
    }

    private static String vehicles(LimitPlan plan, Set<Long> touched) {
        return touched.size() == 1
                ? plan.vehicles().keySet().stream()
                        .filter(vehicle -> touched.contains(vehicle.id()))
                        .map(vehicle -> vehicle.description().ref())
                        .findFirst()
                        .orElse("one vehicle")
                : touched.size() + " vehicles";
    }
}
