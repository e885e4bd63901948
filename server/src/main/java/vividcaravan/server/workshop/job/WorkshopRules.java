package vividcaravan.server.workshop.job;

import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.fitting.GaugeComparison;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.tyres.TyreDemands;
import vividcaravan.server.tyres.WornTyres;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** What the fleet asks of tyres and gauges. */
@Component
class WorkshopRules implements TyreDemands {

    private static final long ONLY = 1;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final WornTyres worn;

    WorkshopRules(SessionFactory sessions, SingleWriter writer, WornTyres worn) {
        this.worn = worn;
        this.sessions = sessions;
        this.writer = writer;
    }

    /**
     * The rules as figures.
     *
     * @param minTreadSteerMm least tread on steered axles, mm
     * @param minTreadMm least tread elsewhere, mm
     * @param maxAgeYears how old a tyre may be
     * @param retreadOnSteer whether steered axles may have retreads
     * @param gaugeToleranceKpa how much hand gauge and sensor may differ, kPa
     * @param retorqueKm after how many km wheel nuts are tightened again, 10 to 1,000; as before where it is left out
     * @param retorqueDays after how many days at the latest, 1 to 30; as before where it is left out
     */
    record RuleFigures(
            double minTreadSteerMm,
            double minTreadMm,
            int maxAgeYears,
            boolean retreadOnSteer,
            double gaugeToleranceKpa,
            @Nullable Integer retorqueKm,
            @Nullable Integer retorqueDays) {

        static final RuleFigures DEFAULT = new RuleFigures(
                TyreInspection.Rules.DEFAULT.minTreadSteerMm(),
                TyreInspection.Rules.DEFAULT.minTreadMm(),
                TyreInspection.Rules.DEFAULT.maxAgeYears(),
                TyreInspection.Rules.DEFAULT.allowsRetreadOnSteer(),
                GaugeComparison.TOLERANCE_KPA,
                Retorque.Rule.USUAL.km(),
                Retorque.Rule.USUAL.days());

        TyreInspection.Rules tyres() {
            return new TyreInspection.Rules(minTreadSteerMm, minTreadMm, maxAgeYears, retreadOnSteer);
        }

        /** The same with what was left out as it is in {@code before}. */
        RuleFigures over(RuleFigures before) {
            return new RuleFigures(
                    minTreadSteerMm,
                    minTreadMm,
                    maxAgeYears,
                    retreadOnSteer,
                    gaugeToleranceKpa,
                    retorqueKm == null ? before.retorqueKm : retorqueKm,
                    retorqueDays == null ? before.retorqueDays : retorqueDays);
        }
    }

    @Override
    public TyreInspection.Rules ofTyres(View view) {
        return now(view).tyres();
    }

    @Override
    public Retorque.Rule ofNuts(View view) {
        RuleFigures now = now(view);
        return new Retorque.Rule(now.retorqueKm(), now.retorqueDays());
    }

    RuleFigures now() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return now(View.of(session));
        }
    }

    RuleFigures now(View view) {
        WorkshopRulesRow row = view.get(WorkshopRulesRow.class, ONLY);
        return row == null
                ? RuleFigures.DEFAULT
                : new RuleFigures(
                        row.minTreadSteerMm,
                        row.minTreadMm,
                        row.maxAgeYears,
                        row.retreadOnSteer,
                        row.gaugeToleranceKpa,
                        row.retorqueKm,
                        row.retorqueDays);
    }

    /**
     * Sets other rules.
     *
     * @throws Refusal if a figure cannot be
     */
    RuleFigures set(RuleFigures rules) {
        Faults faults = new Faults();
        within(faults, "minTreadSteerMm", rules.minTreadSteerMm(), 0, 20, "mm");
        within(faults, "minTreadMm", rules.minTreadMm(), 0, 20, "mm");
        within(faults, "maxAgeYears", rules.maxAgeYears(), 1, 30, "years");
        within(faults, "gaugeToleranceKpa", rules.gaugeToleranceKpa(), 1, 100, "kPa");
        if (rules.retorqueKm() != null) {
            within(faults, "retorqueKm", rules.retorqueKm(), 10, 1_000, "km");
        }
        if (rules.retorqueDays() != null) {
            within(faults, "retorqueDays", rules.retorqueDays(), 1, 30, "days");
        }
        faults.refuse();
        return writer.make(view -> Decision.make(pen -> {
            RuleFigures before = now(view);
            RuleFigures after = rules.over(before);
            worn.touched();
            StatelessSession session = pen.session();
            WorkshopRulesRow row = new WorkshopRulesRow();
            row.id = ONLY;
            row.minTreadSteerMm = rules.minTreadSteerMm();
            row.minTreadMm = rules.minTreadMm();
            row.maxAgeYears = rules.maxAgeYears();
            row.retreadOnSteer = rules.retreadOnSteer();
            row.gaugeToleranceKpa = rules.gaugeToleranceKpa();
            row.retorqueKm = after.retorqueKm();
            row.retorqueDays = after.retorqueDays();
            if (session.get(WorkshopRulesRow.class, ONLY) == null) {
                session.insert(row);
            } else {
                session.update(row);
            }
            return new Done<>(after, deed(before, after));
        }));
    }

    private static Deed deed(RuleFigures before, RuleFigures after) {
        return Deed.of(
                        DeedKind.WORKSHOP_RULES_CHANGED,
                        new Thing(Thing.Kind.SETTING, "workshop-rules", "what the fleet asks of tyres and gauges"),
                        "changed what the fleet asks of tyres and gauges")
                .with("Least tread, steered axles", "mm", before.minTreadSteerMm(), after.minTreadSteerMm())
                .with("Least tread, other axles", "mm", before.minTreadMm(), after.minTreadMm())
                .with("Oldest tyre, years", before.maxAgeYears(), after.maxAgeYears())
                .with("Retreads on steered axles", before.retreadOnSteer(), after.retreadOnSteer())
                .with("Gauge and sensor may differ", "kPa", before.gaugeToleranceKpa(), after.gaugeToleranceKpa())
                .with("Wheel nuts again after", "km", asDouble(before.retorqueKm()), asDouble(after.retorqueKm()))
                .with("Wheel nuts again after, days", before.retorqueDays(), after.retorqueDays());
    }

    private static @Nullable Double asDouble(@Nullable Integer figure) {
        return figure == null ? null : figure.doubleValue();
    }

    private static void within(Faults faults, String field, double value, double least, double most, String unit) {
        if (!(value >= least && value <= most)) {
            faults.add(
                    field,
                    "\"" + field + "\" must be " + (long) least + " to " + (long) most + " " + unit + ", was " + value
                            + ".");
        }
    }
}
