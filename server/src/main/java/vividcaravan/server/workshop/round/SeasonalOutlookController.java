package vividcaravan.server.workshop.round;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.planning.ColdMorning;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Rounded;

/** What the wheels will read on a cold morning, and what to add before. */
@RestController
@RequestMapping("/api/v1/seasonal-outlook")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "rounds")
class SeasonalOutlookController {

    private static final double COLDEST_C = -50;
    private static final double WARMEST_C = 60;
    /** Where no sensor tells how cold it was. */
    private static final double USUAL_C = 0;

    private final SeasonalOutlook outlook;

    SeasonalOutlookController(SeasonalOutlook outlook) {
        this.outlook = outlook;
    }

    /**
     * A wheel that needs air before that morning.
     *
     * @param nowKpa what a gauge shows there now, kPa
     * @param morningKpa what it will show that morning, kPa
     * @param morningShare how far that is from target, share, negative below
     * @param addKpa how much to add now, at its present temperature, kPa
     * @param share20 how far it is from target at 20 °C afterwards, share
     * @param isHighWhenMild whether that is above its upper limit
     * @param hasRunSoft whether it is not to be inflated on the vehicle
     * @param isLeaking whether it is known to lose air: filling is no repair
     * @param isUnderAlert whether an alert is open there that forbids air: no figure is given, and what it says is done first
     */
    record ColdWheel(
            String position,
            double targetKpa,
            double nowKpa,
            double tyreC,
            Instant at,
            double morningKpa,
            double morningShare,
            boolean isBelowFirst,
            boolean isBelowSecond,
            double addKpa,
            double share20,
            boolean isHighWhenMild,
            boolean hasRunSoft,
            boolean isLeaking,
            boolean isUnderAlert) {}

    /**
     * A vehicle.
     *
     * @param wheels the lowest first
     * @param minutes what filling them takes
     * @param unheard wheels of which nothing was heard for a week: take the hand gauge
     */
    record ColdVehicle(String ref, @Nullable String depot, List<ColdWheel> wheels, int minutes, int unheard) {}

    /**
     * @param morningC the morning that it is of, °C
     * @param isStated whether somebody said that; otherwise it is how cold last week's mornings were
     * @param lastWeekC how cold those were by the tyres that stood through them, °C; null where no sensor tells
     * @param belowFirst wheels that will be below their first limit
     * @param belowSecond wheels that will be below their second limit
     * @param items whoever needs it most first
     */
    record ColdOutlook(
            double morningC,
            boolean isStated,
            @Nullable Double lastWeekC,
            int belowFirst,
            int belowSecond,
            List<ColdVehicle> items) {}

    @GetMapping
    @Operation(
            operationId = "getSeasonalOutlook",
            summary = "What every wheel will read on a cold morning, and what to add before")
    ColdOutlook get(
            @RequestParam(required = false) @Nullable String depot,
            @RequestParam(required = false) @Nullable Double morningC) {
        if (morningC != null && !(morningC >= COLDEST_C && morningC <= WARMEST_C)) {
            throw Refusal.badRequest("morningC", "A morning has -50 to 60 °C, this says " + morningC + ".");
        }
        List<FleetVehicle> vehicles = outlook.vehicles(depot);
        OptionalDouble lastWeek = outlook.lastWeeksMorningC(vehicles);
        double morning = morningC == null ? lastWeek.orElse(USUAL_C) : morningC;
        List<SeasonalOutlook.Vehicle> found = outlook.of(vehicles, morning);
        List<SeasonalOutlook.Wheel> wheels =
                found.stream().flatMap(vehicle -> vehicle.wheels().stream()).toList();
        return new ColdOutlook(
                Rounded.tenth(morning),
                morningC != null,
                lastWeek.isEmpty() ? null : Rounded.tenth(lastWeek.getAsDouble()),
                (int) wheels.stream()
                        .filter(wheel -> wheel.morning().isBelowFirst())
                        .count(),
                (int) wheels.stream()
                        .filter(wheel -> wheel.morning().isBelowSecond())
                        .count(),
                found.stream().map(SeasonalOutlookController::item).toList());
    }

    private static ColdVehicle item(SeasonalOutlook.Vehicle vehicle) {
        return new ColdVehicle(
                vehicle.vehicle().description().ref(),
                vehicle.vehicle().description().depot(),
                vehicle.wheels().stream().map(SeasonalOutlookController::item).toList(),
                vehicle.minutes(),
                vehicle.unheard());
    }

    private static ColdWheel item(SeasonalOutlook.Wheel wheel) {
        ColdMorning morning = wheel.morning();
        return new ColdWheel(
                wheel.position().code(),
                Rounded.tenth(wheel.targetKpa()),
                Rounded.tenth(wheel.nowKpa()),
                Rounded.tenth(wheel.tyreC()),
                wheel.at(),
                Rounded.tenth(morning.gaugeKpa()),
                Rounded.share(morning.share()),
                morning.isBelowFirst(),
                morning.isBelowSecond(),
                Rounded.tenth(morning.addKpa()),
                Rounded.share(morning.share20()),
                morning.isHighWhenMild(),
                wheel.hasRunSoft(),
                wheel.isLeaking(),
                wheel.isUnderAlert());
    }
}
