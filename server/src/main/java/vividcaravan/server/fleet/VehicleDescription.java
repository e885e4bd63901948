package vividcaravan.server.fleet;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitBook;
import vividcaravan.core.limits.LimitLevel;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.VehicleUse;

/**
 * A vehicle as described.
 *
 * @param plate registration plate, or null
 * @param depot the depot's name, or null
 * @param duty what it does for its living
 * @param use how it is used at present, which chooses between the targets of its axles
 * @param book what the fleet holds to, from which its axles inherit
 */
public record VehicleDescription(
        String ref,
        VehicleKind kind,
        String plate,
        String depot,
        List<AxleDescription> axles,
        int spares,
        DutyProfile duty,
        VehicleUse use,
        LimitBook book) {

    public VehicleDescription {
        axles = List.copyOf(axles);
    }

    /** The same with other axles. */
    public VehicleDescription with(List<AxleDescription> newAxles) {
        return new VehicleDescription(ref, kind, plate, depot, newAxles, spares, duty, use, book);
    }

    /** The same under another book. */
    public VehicleDescription under(LimitBook newBook) {
        return new VehicleDescription(ref, kind, plate, depot, axles, spares, duty, use, newBook);
    }

    /** The same in another use. */
    public VehicleDescription usedFor(VehicleUse newUse) {
        return new VehicleDescription(ref, kind, plate, depot, axles, spares, duty, newUse, book);
    }

    /** What an axle does for its living at present. */
    public DutyProfile duty(AxleDescription axle) {
        boolean isInField = use == VehicleUse.FIELD && axle.targets().uses().contains(VehicleUse.FIELD);
        if (isInField) {
            return DutyProfile.FARM_FIELD;
        }
        return axle.duty() == null ? duty : axle.duty();
    }

    private LimitBook.Inheritor inheritor(AxleDescription axle) {
        return new LimitBook.Inheritor(
                new LimitBook.Kin(kind, axle.axle().role()),
                duty(axle),
                axle.axle().wheels());
    }

    /** The limits in force on an axle. */
    public LimitPolicy policy(AxleDescription axle) {
        return axle.overrides().over(inherited(axle));
    }

    /** The limits an axle would have without its own. */
    public LimitPolicy inherited(AxleDescription axle) {
        return book.inherited(inheritor(axle));
    }

    /** Where each limit of an axle comes from. */
    public Map<String, LimitLevel> levels(AxleDescription axle) {
        return book.levels(inheritor(axle), axle.overrides());
    }

    /** Target and limits in force on an axle. */
    public AxleLimits limits(AxleDescription axle) {
        AxleLimits limits = new AxleLimits(axle.targets().kpa(use), policy(axle));
        // The gas law says nothing of a tyre with liquid in it: it is judged on the gauge, against its cold target.
        return axle.isBallasted() ? limits.onTheGauge() : limits;
    }

    /** The uses that some axle has a target of its own for. */
    public Set<VehicleUse> uses() {
        Set<VehicleUse> uses = new TreeSet<>();
        axles.forEach(axle -> uses.addAll(axle.targets().uses()));
        return uses;
    }

    /** Its axles and spares. */
    public AxleLayout layout() {
        return new AxleLayout(axles.stream().map(AxleDescription::axle).toList(), spares);
    }
}
