package vividcaravan.server.limits;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.limits.LimitSchool;
import vividcaravan.core.limits.StatedPercentage;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** What the fleet holds to, at every level. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "limits")
class LimitsController {

    private final FleetDirectory fleet;
    private final LimitSetting setting;
    private final LimitBatches batches;

    LimitsController(FleetDirectory fleet, LimitSetting setting, LimitBatches batches) {
        this.batches = batches;
        this.fleet = fleet;
        this.setting = setting;
    }

    /** A policy to choose. */
    record School(LimitSchool school, String words, LimitPolicy policy) {}

    /**
     * Limits of the axles of a role on a kind of vehicle; what is null is inherited.
     *
     * @param inForce what such axles are held to where their duty and they themselves say nothing else
     */
    record Template(VehicleKind kind, AxleRole role, LimitOverrides limits, LimitPolicy inForce) {}

    /** A change that was made for many at once. */
    record ChangeMade(String id, Instant at, String who, String words, boolean isUndone) {}

    /**
     * What the fleet holds to.
     *
     * @param tyreSizes the sizes that stand on its axles
     */
    record FleetLimits(
            LimitPolicy policy,
            List<School> schools,
            List<Template> templates,
            List<String> tyreSizes,
            List<ChangeMade> changes) {}

    @GetMapping("/limits")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "getLimits", summary = "The fleet's policy, its templates, and what was changed lately")
    FleetLimits get() {
        return new FleetLimits(
                fleet.book().policy(),
                Arrays.stream(LimitSchool.values())
                        .map(school -> new School(school, school.words(), school.policy()))
                        .toList(),
                fleet.book().templates().entrySet().stream()
                        .sorted(Comparator.comparing(entry -> entry.getKey().toString()))
                        .map(entry -> new Template(
                                entry.getKey().kind(),
                                entry.getKey().role(),
                                entry.getValue(),
                                entry.getValue().over(fleet.book().policy())))
                        .toList(),
                fleet.vehicles().stream()
                        .flatMap(vehicle -> vehicle.description().axles().stream())
                        .map(axle -> axle.tyre().size())
                        .filter(size -> size != null)
                        .distinct()
                        .sorted()
                        .toList(),
                batches.latest().stream()
                        .map(made -> new ChangeMade(
                                made.id(), Instant.ofEpochMilli(made.at()), made.who(), made.words(), made.isUndone()))
                        .toList());
    }

    /** What a stated percentage really is, kPa; null if what was typed agrees within rounding. */
    record StatedFigure(@Nullable Double rightKpa) {}

    @GetMapping("/limits/stated-figure")
    @Operation(
            operationId = "checkStatedFigure",
            summary = "Whether a typed limit is the percentage it is meant to be, within the rounding of its unit")
    StatedFigure stated(
            @RequestParam double targetKpa,
            @RequestParam double pct,
            @RequestParam double enteredKpa,
            @RequestParam PressureUnit unit) {
        if (!(targetKpa > 0 && targetKpa <= 2_000 && Math.abs(pct) <= 200 && enteredKpa >= 0 && enteredKpa <= 5_000)) {
            throw Refusal.badRequest("enteredKpa", "Give a target and a pressure in kPa, and a percentage.");
        }
        double perUnit = unit.toKpa(1);
        Double right = StatedPercentage.correction(targetKpa / perUnit, pct, enteredKpa / perUnit, unit)
                .map(unit::toKpa)
                .orElse(null);
        return new StatedFigure(right);
    }

    /** A change of limits, to be shown or made. */
    record LimitChangeRequest(@Nullable LimitEdit change, @Nullable Boolean isPreview) {}

    @PostMapping("/limit-changes")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(
            operationId = "changeLimits",
            summary = "Show what a change of limits comes to, or make it for all or for none")
    LimitPreview change(@RequestBody LimitChangeRequest request, Principal who) {
        LimitEdit edit = request.change();
        if (edit == null) {
            throw Refusal.badRequest("change", "Say what is to be changed.");
        }
        Double cold = edit.coldPressureKpa();
        if (cold != null && !(cold >= AxleLimits.LOWEST_TARGET_KPA && cold <= AxleLimits.HIGHEST_TARGET_KPA)) {
            throw Refusal.badRequest("coldPressureKpa", "A cold pressure is 50 to 1200 kPa, was " + cold + ".");
        }
        return setting.change(edit, !Boolean.FALSE.equals(request.isPreview()), who.getName());
    }

    @PostMapping("/limit-changes/{id}/undo")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "undoLimitChange", summary = "Undo a change: limits are again what they were before it")
    LimitPreview undo(@PathVariable String id, Principal who) {
        return setting.undo(QueryParameters.id("change", id), who.getName());
    }
}
