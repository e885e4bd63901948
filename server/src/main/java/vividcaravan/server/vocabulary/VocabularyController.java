package vividcaravan.server.vocabulary;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.ClosedOn;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.alert.Verdict;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.PowerKind;
import vividcaravan.core.coupling.ReceiverKind;
import vividcaravan.core.driver.WalkPoint;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.VehicleUse;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.access.Role;
import vividcaravan.server.fleet.VehicleState;
import vividcaravan.server.sensorbook.SensorState;

/**
 * What everything is called, from the one place where it is said: the enumerations themselves. The page is built with a copy
 * ({@code web/src/api/vocabulary.json}, which a test holds against this), so that it has its words without signal too.
 */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "vocabulary")
class VocabularyController {

    /** One of some kinds: its name in the interface, and what it is called. */
    record Word(String name, String words) {}

    /** A limit: its name in the interface, what it is called, and what it is counted in. */
    record LimitWord(String name, String words, LimitName.Unit unit) {}

    /** The words, each list in the order in which choices are offered. */
    record Vocabulary(
            List<Word> urgencies,
            List<Word> alertKinds,
            List<Word> alertStates,
            List<Word> closedOn,
            List<Word> verdicts,
            List<Word> wheelConditions,
            List<Word> vehicleKinds,
            List<Word> vehicleStates,
            List<Word> axleRoles,
            List<Word> wheelArrangements,
            List<Word> mounts,
            List<Word> duties,
            List<Word> uses,
            List<Word> bases,
            List<Word> walks,
            List<Word> people,
            List<Word> sensorFates,
            List<Word> removalReasons,
            List<Word> sensorStates,
            List<Word> tyrePlaces,
            List<Word> couplingSources,
            List<Word> receiverKinds,
            List<Word> powerKinds,
            List<Word> walkPoints,
            List<LimitWord> limits) {}

    @GetMapping("/vocabulary")
    @Operation(operationId = "getVocabulary", summary = "What kinds, states and limits are called")
    Vocabulary get() {
        return new Vocabulary(
                words(Urgency.values(), Urgency::words),
                words(AlertKind.values(), AlertKind::words),
                words(AlertState.values(), AlertState::words),
                words(ClosedOn.values(), ClosedOn::words),
                words(Verdict.values(), Verdict::words),
                words(WheelCondition.values(), WheelCondition::words),
                words(VehicleKind.values(), VehicleKind::words),
                words(VehicleState.values(), VehicleState::words),
                words(AxleRole.values(), AxleRole::words),
                words(WheelArrangement.values(), WheelArrangement::words),
                words(MountKind.values(), MountKind::words),
                words(DutyProfile.values(), DutyProfile::words),
                words(VehicleUse.values(), VehicleUse::words),
                words(Basis.values(), Basis::words),
                words(WalkOrder.values(), WalkOrder::words),
                words(Role.values(), Role::words),
                words(SensorFate.values(), SensorFate::words),
                words(RemovalReason.values(), RemovalReason::words),
                words(SensorState.values(), SensorState::words),
                words(TyrePlace.Kind.values(), TyrePlace.Kind::words),
                words(Coupling.Source.values(), Coupling.Source::words),
                words(ReceiverKind.values(), ReceiverKind::words),
                words(PowerKind.values(), PowerKind::words),
                words(WalkPoint.values(), WalkPoint::words),
                Arrays.stream(LimitName.values())
                        .map(limit -> new LimitWord(limit.field(), limit.words(), limit.unit()))
                        .toList());
    }

    private static <E extends Enum<E>> List<Word> words(E[] values, Function<E, String> words) {
        return Arrays.stream(values)
                .map(value -> new Word(value.name(), words.apply(value)))
                .toList();
    }
}
