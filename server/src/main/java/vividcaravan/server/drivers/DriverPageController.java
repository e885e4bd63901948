package vividcaravan.server.drivers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.driver.DriverWords;
import vividcaravan.core.driver.Instruction;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.core.words.Language;
import vividcaravan.server.access.Account;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.picture.Departures;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.walks.LatestWalks;

/** A driver's own page: not the Desk but one instruction, in their language. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasRole('DRIVER')")
@Tag(name = "alerts")
class DriverPageController {

    private final VisibleFleet visible;
    private final Accounts accounts;
    private final Instructions instructions;
    private final AlertActions actions;
    private final LatestWalks walks;
    private final Departures departures;
    private final Distances distances;
    private final FleetDirectory fleet;
    private final Clock clock;

    DriverPageController(
            VisibleFleet visible,
            Accounts accounts,
            Instructions instructions,
            AlertActions actions,
            LatestWalks walks,
            Departures departures,
            Distances distances,
            FleetDirectory fleet,
            Clock clock) {
        this.fleet = fleet;
        this.clock = clock;
        this.walks = walks;
        this.departures = departures;
        this.distances = distances;
        this.visible = visible;
        this.accounts = accounts;
        this.instructions = instructions;
        this.actions = actions;
    }

    /** A language that can be chosen, as it calls itself. */
    record LanguageChoice(Language name, String words, String tag) {}

    /** What was said last from beside the vehicle. */
    record Said(DriverAnswer answer, Instant at, boolean isOwn) {}

    /** Whom to call. */
    record Call(String depot, String phone) {}

    /**
     * What is open at one of the driver's vehicles.
     *
     * @param told when the workshop told this driver of it, or null
     * @param isRead whether they had that before their eyes
     */
    record Task(
            String alert,
            String vehicle,
            @Nullable String position,
            Urgency urgency,
            boolean isParked,
            Instruction instruction,
            @Nullable Instant told,
            boolean isRead,
            @Nullable Said said,
            @Nullable Call call) {}

    /**
     * @param words what the page says around the instruction, by key
     * @param tasks the most urgent first; among those what the workshop told of
     * @param vehicles how many vehicles are assigned to the driver
     * @param walks the walk round each of them that is in service
     * @param pulls what hangs behind each of them that may pull something
     * @param retorques their wheel nuts that are to be tightened again
     * @param leaving whether each of them may leave, as the gate says
     */
    record DriverPage(
            Language language,
            String tag,
            List<LanguageChoice> languages,
            Map<String, String> words,
            List<Task> tasks,
            int vehicles,
            List<WalkOf> walks,
            List<PullOf> pulls,
            List<RetorqueOf> retorques,
            List<LeavingOf> leaving) {}

    /**
     * Whether a vehicle may leave.
     *
     * @param words the verdict in the driver's language
     * @param reasons in the driver's language, the most serious first
     */
    record LeavingOf(String vehicle, Departure.Verdict verdict, String words, List<String> reasons) {}

    /**
     * What hangs behind a vehicle.
     *
     * @param hooks from the front
     */
    record PullOf(String vehicle, List<HookOf> hooks) {}

    /** A vehicle that hangs behind another, and by which coupling. */
    record HookOf(String coupling, String pulled) {}

    /**
     * Wheels of a vehicle that were off.
     *
     * @param km after which distance their nuts are to be tightened again, km
     * @param isDue whether that is due by the time that has passed
     */
    record RetorqueOf(String vehicle, List<WheelName> wheels, int km, boolean isDue) {}

    /** A wheel as a driver finds it. */
    record WheelName(String position, String words) {}

    /**
     * The walk round a vehicle.
     *
     * @param at when it was made today, or null
     * @param wheels where something may be found
     */
    record WalkOf(String vehicle, @Nullable Instant at, List<WheelName> wheels) {}

    @GetMapping("/driver-page")
    @Operation(operationId = "getDriverPage", summary = "What a driver has to do now, in their language")
    DriverPage get(Principal who) {
        Account driver = accounts.find(who.getName())
                .orElseThrow(() -> Refusal.conflict("This page is for people who drive; sign in as one."));
        Language language = driver.preferences().language() == null
                ? Language.EN
                : driver.preferences().language();
        List<FleetVehicle> own = visible.vehicles();
        List<Task> tasks = own.stream()
                .flatMap(vehicle -> tasksOf(vehicle, driver.userName(), language))
                .sorted(Comparator.comparing(Task::urgency)
                        .thenComparing(task -> task.told() == null)
                        .thenComparing(Task::alert))
                .toList();
        return new DriverPage(
                language,
                language.locale().toLanguageTag(),
                Arrays.stream(Language.values())
                        .map(one -> new LanguageChoice(
                                one, one.words(), one.locale().toLanguageTag()))
                        .toList(),
                DriverWords.in(language).page(),
                tasks,
                own.size(),
                walksOf(own, DriverWords.in(language)),
                pullsOf(own),
                retorquesOf(own, DriverWords.in(language)),
                leavingOf(own, language));
    }

    /** What hangs behind another leaves with it, and is named there. */
    private List<LeavingOf> leavingOf(List<FleetVehicle> own, Language language) {
        long now = clock.millis();
        return own.stream()
                .filter(vehicle -> fleet.couplings()
                        .before(vehicle.id(), now)
                        .filter(coupling -> own.stream().anyMatch(one -> one.id() == coupling.puller()))
                        .isEmpty())
                .map(vehicle -> {
                    Departure departure = departures.of(vehicle, language);
                    return new LeavingOf(
                            vehicle.description().ref(),
                            departure.verdict(),
                            departure.words(language),
                            departure.reasons());
                })
                .sorted(Comparator.comparing(LeavingOf::verdict).reversed().thenComparing(LeavingOf::vehicle))
                .toList();
    }

    private Stream<Task> tasksOf(FleetVehicle vehicle, String driver, Language language) {
        List<Alert> told = vehicle.openAlerts().stream()
                .filter(alert -> alert.state() != AlertState.SHELVED)
                .toList();
        if (told.isEmpty()) {
            return Stream.empty();
        }
        Departure.Holds holds = departures.holds(vehicle);
        return told.stream().map(alert -> task(vehicle, vehicle.asItIsNow(alert), driver, language, holds));
    }

    private List<PullOf> pullsOf(List<FleetVehicle> own) {
        long now = clock.millis();
        Combinations couplings = fleet.couplings();
        return own.stream()
                .filter(vehicle -> couplings.before(vehicle.id(), now).isEmpty())
                .map(vehicle -> new PullOf(
                        vehicle.description().ref(),
                        couplings.combination(vehicle.id(), now).stream()
                                .skip(1)
                                .map(pulled -> new HookOf(
                                        Long.toString(couplings
                                                .before(pulled, now)
                                                .orElseThrow()
                                                .id()),
                                        fleet.vehicle(pulled)
                                                .orElseThrow()
                                                .description()
                                                .ref()))
                                .toList()))
                .filter(pull -> !pull.hooks().isEmpty() || mayPull(pull.vehicle()))
                .toList();
    }

    private boolean mayPull(String ref) {
        return switch (fleet.existing(ref).description().kind()) {
            case TRACTOR_UNIT, RIGID_TRUCK, FARM_TRACTOR -> true;
            default -> false;
        };
    }

    private List<RetorqueOf> retorquesOf(List<FleetVehicle> own, DriverWords words) {
        long now = clock.millis();
        return own.stream()
                .filter(vehicle -> !vehicle.retorques().isEmpty())
                .map(vehicle -> new RetorqueOf(
                        vehicle.description().ref(),
                        vehicle.retorques().stream()
                                .map(Retorque::position)
                                .sorted(Comparator.comparing(Position::code))
                                .map(wheel -> new WheelName(wheel.code(), words.wheel(wheel)))
                                .toList(),
                        vehicle.retorques().stream()
                                .mapToInt(Retorque::km)
                                .min()
                                .orElseThrow(),
                        vehicle.retorques().stream().anyMatch(wheel -> wheel.isDue(now, distances.ranKm(vehicle)))))
                .sorted(Comparator.comparing(RetorqueOf::vehicle))
                .toList();
    }

    private List<WalkOf> walksOf(List<FleetVehicle> own, DriverWords words) {
        return own.stream()
                .filter(vehicle -> vehicle.snapshot().state() == VehicleState.IN_SERVICE)
                .map(vehicle -> new WalkOf(
                        vehicle.description().ref(),
                        walks.ofToday(vehicle).map(LatestWalks.Walk::at).orElse(null),
                        vehicle.description().layout().positions().stream()
                                .map(wheel -> new WheelName(wheel.code(), words.wheel(wheel)))
                                .toList()))
                .sorted(Comparator.comparing(WalkOf::vehicle))
                .toList();
    }

    private Task task(FleetVehicle vehicle, Alert alert, String driver, Language language, Departure.Holds holds) {
        String ref = vehicle.description().ref();
        Optional<Instant> told = isTold(alert) ? instructions.lastTold(alert.id(), driver) : Optional.empty();
        return new Task(
                Long.toString(alert.id()),
                ref,
                alert.position() == null ? null : alert.position().code(),
                alert.urgency(),
                alert.evidence().isParked(),
                DriverWords.in(language).instruction(alert, ref, holds),
                told.orElse(null),
                told.map(at -> alert.entries().stream()
                                .anyMatch(entry -> entry.change() == AlertEntry.Change.DRIVER_READ
                                        && driver.equals(entry.who())
                                        && entry.at() >= at.toEpochMilli()))
                        .orElse(false),
                alert.lastAnswer()
                        .flatMap(entry -> DriverAnswer.find(entry.note())
                                .map(answer ->
                                        new Said(answer, Instant.ofEpochMilli(entry.at()), driver.equals(entry.who()))))
                        .orElse(null),
                vehicle.depot().map(DriverPageController::call).orElse(null));
    }

    private static boolean isTold(Alert alert) {
        return alert.entries().stream().anyMatch(entry -> entry.change() == AlertEntry.Change.INSTRUCTED);
    }

    private static @Nullable Call call(DepotDescription depot) {
        return depot.phone() == null ? null : new Call(depot.name(), depot.phone());
    }

    @PostMapping("/alerts/{id}/reads")
    @Operation(operationId = "readInstruction", summary = "Say that the instruction is before the driver's eyes")
    DriverPage read(@PathVariable String id, Principal who) {
        long number = QueryParameters.id("alert", id);
        boolean isInSight = visible.vehicles().stream()
                .anyMatch(vehicle -> vehicle.openAlerts().stream().anyMatch(alert -> alert.id() == number));
        if (!isInSight) {
            throw Refusal.notFound("There is no open alert " + id + " at your vehicles.");
        }
        actions.read(number, who.getName());
        return get(who);
    }
}
