package vividcaravan.core.limits;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

/**
 * What the fleet holds to: its policy, and templates for the axles of some kinds of vehicle. An axle takes each limit from
 * the nearest that says something: itself, its template, its duty, the policy.
 *
 * @param policy the fleet's policy
 * @param templates limits by kind and role; a duty gives way to them
 */
public record LimitBook(LimitPolicy policy, Map<Kin, LimitOverrides> templates) {

    /** The book of a fleet that has set nothing yet. */
    public static final LimitBook DEFAULT = new LimitBook(LimitPolicy.DEFAULT, Map.of());

    /** The axles that a template is for. */
    public record Kin(VehicleKind kind, AxleRole role) {}

    /** An axle, as far as its limits depend on it. */
    public record Inheritor(Kin kin, DutyProfile duty, WheelArrangement wheels) {
        boolean isTwin() {
            return wheels.tyresPerSide() == 2;
        }
    }

    public LimitBook {
        templates = Map.copyOf(templates);
    }

    private LimitOverrides template(Inheritor axle) {
        return templates.getOrDefault(axle.kin(), LimitOverrides.NONE);
    }

    /** The limits that an axle has if it sets none itself. */
    public LimitPolicy inherited(Inheritor axle) {
        return template(axle).over(axle.duty().over(policy, axle.isTwin()));
    }

    /** Where each limit in force on an axle comes from, by the limit's name. */
    public Map<String, LimitLevel> levels(Inheritor axle, LimitOverrides own) {
        LimitPolicy ofDuty = axle.duty().over(policy, axle.isTwin());
        Map<String, LimitLevel> levels = new LinkedHashMap<>();
        for (LimitName name : LimitName.values()) {
            boolean isOfDuty = !ofDuty.all().value(name).equals(policy.all().value(name));
            levels.put(name.field(), isOfDuty ? LimitLevel.DUTY : LimitLevel.FLEET);
        }
        template(axle).names().forEach(name -> levels.put(name.field(), LimitLevel.TEMPLATE));
        own.names().forEach(name -> levels.put(name.field(), LimitLevel.AXLE));
        return levels;
    }

    /** What would be wrong with {@code template} over this policy for any duty; empty if it can stand. */
    public List<LimitFault> faultsOf(LimitOverrides template) {
        for (DutyProfile duty : DutyProfile.values()) {
            for (boolean isTwin : new boolean[] {false, true}) {
                List<LimitFault> faults = template.faultsOver(duty.over(policy, isTwin));
                if (!faults.isEmpty()) {
                    return faults;
                }
            }
        }
        return List.of();
    }
}
