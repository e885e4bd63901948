package vividcaravan.server.fleet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.server.logbook.Difference;

/** What is different between two descriptions of a vehicle, as the logbook says it. */
public final class DescriptionDifferences {

    private static final String INHERITED = "inherited";

    private DescriptionDifferences() {}

    /** What is different between the descriptions {@code before} and {@code after} of one vehicle. */
    public static List<Difference> between(VehicleDescription before, VehicleDescription after) {
        List<Difference> found = new ArrayList<>();
        add(found, "Ref", null, before.ref(), after.ref());
        add(found, "Kind", null, before.kind().words(), after.kind().words());
        add(found, "Plate", null, before.plate(), after.plate());
        add(found, "Depot", null, before.depot(), after.depot());
        add(found, "Spares", null, before.spares(), after.spares());
        add(found, "Work", null, before.duty().words(), after.duty().words());
        add(found, "Use", null, before.use().words(), after.use().words());
        int most = Math.max(before.axles().size(), after.axles().size());
        for (int i = 0; i < most; i++) {
            AxleDescription was = i < before.axles().size() ? before.axles().get(i) : null;
            AxleDescription is = i < after.axles().size() ? after.axles().get(i) : null;
            axle(found, i + 1, was, is);
        }
        return found;
    }

    /** What is different between the limits that are set at some level; {@code where} says which. */
    public static List<Difference> between(String where, LimitOverrides before, LimitOverrides after) {
        List<Difference> found = new ArrayList<>();
        for (LimitName name : LimitName.values()) {
            add(found, where + ": " + name.words(), unit(name), text(name, before), text(name, after));
        }
        return found;
    }

    private static void axle(
            List<Difference> found, int number, @Nullable AxleDescription was, @Nullable AxleDescription is) {
        String where = "Axle " + number;
        if (was == null || is == null) {
            add(found, where, null, was == null ? null : words(was.axle()), is == null ? null : words(is.axle()));
            return;
        }
        add(found, where, null, words(was.axle()), words(is.axle()));
        for (VehicleUse use : VehicleUse.values()) {
            add(found, where + ": target " + use.words(), "kPa", target(was, use), target(is, use));
        }
        found.addAll(between(where, was.overrides(), is.overrides()));
        add(
                found,
                where + ": work of its own",
                null,
                was.duty() == null ? null : was.duty().words(),
                is.duty() == null ? null : is.duty().words());
        tyre(found, where, was.tyre(), is.tyre());
        add(found, where + ": liquid in the tyres", null, was.isBallasted(), is.isBallasted());
        add(found, where + ": kept inflated by the vehicle", null, was.isSelfInflating(), is.isSelfInflating());
    }

    private static void tyre(List<Difference> found, String where, TyreSpec was, TyreSpec is) {
        add(found, where + ": tyre size", null, was.size(), is.size());
        add(found, where + ": load index", null, was.loadIndex(), is.loadIndex());
        add(found, where + ": highest cold pressure", "kPa", was.maxColdKpa(), is.maxColdKpa());
        add(found, where + ": rim", "in", was.rimInches(), is.rimInches());
        add(found, where + ": drop centre", "mm", was.dropCentreMm(), is.dropCentreMm());
    }

    private static @Nullable Double target(AxleDescription axle, VehicleUse use) {
        boolean isSet = use == VehicleUse.ROAD || axle.targets().uses().contains(use);
        return isSet ? axle.targets().kpa(use) : null;
    }

    private static String words(Axle axle) {
        return axle.role().words() + ", " + axle.wheels().words() + (axle.liftable() ? ", can be lifted" : "");
    }

    private static @Nullable String unit(LimitName name) {
        return name.unit().symbol().isEmpty() ? null : name.unit().symbol();
    }

    private static String text(LimitName name, LimitOverrides limits) {
        Optional<String> text = name.text(limits);
        return name == LimitName.BASIS
                ? text.map(basis -> Basis.valueOf(basis).words()).orElse(INHERITED)
                : text.map(number -> number.endsWith(".0") ? number.substring(0, number.length() - 2) : number)
                        .orElse(INHERITED);
    }

    private static void add(
            List<Difference> found,
            String what,
            @Nullable String unit,
            @Nullable Object before,
            @Nullable Object after) {
        Difference.of(what, unit, before, after).ifPresent(found::add);
    }
}
