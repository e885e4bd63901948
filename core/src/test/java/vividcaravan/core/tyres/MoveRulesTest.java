package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.tyres.MoveRules.Advice;
import vividcaravan.core.tyres.MoveRules.Seat;
import vividcaravan.core.tyres.MoveRules.Standing;

class MoveRulesTest {

    private static final MoveRules RULES = rules(false);
    private static final Position STEERED = Position.parse("1L");

    private static MoveRules rules(boolean allowsRetread) {
        return new MoveRules(new TyreInspection.Rules(3.175, 1.5875, 10, allowsRetread), LocalDate.of(2026, 11, 29));
    }

    private static Tyre tyre(String size, Boolean isRetread, String dateCode) {
        return new Tyre(null, null, size, null, null, dateCode, isRetread, null);
    }

    private static Standing standing(Tyre tyre, Double tread) {
        return new Standing(tyre, tread, null, null, false, Side.LEFT);
    }

    private static Seat seat(VehicleKind kind, AxleRole role) {
        return new Seat(STEERED, kind, role, null, null);
    }

    private static final Seat TRUCK_STEER = seat(VehicleKind.RIGID_TRUCK, AxleRole.STEER);
    private static final Seat TRUCK_DRIVE = seat(VehicleKind.RIGID_TRUCK, AxleRole.DRIVE);

    private static boolean isRefused(List<Advice> advice) {
        return advice.stream().anyMatch(Advice::isRefusal);
    }

    @Test
    void nothingIsSaidOfATyreOfWhichNothingIsKnown() {
        assertThat(RULES.of(standing(Tyre.UNKNOWN, null), TRUCK_STEER)).isEmpty();
    }

    @Test
    void aTyreThatWasRunSoftGoesToNoWheelNotEvenAsASpare() {
        Standing marked = new Standing(
                Tyre.UNKNOWN, 9.0, "It was run at 80 % of its target or less.", "under target", true, Side.LEFT);
        Seat spare = new Seat(Position.parse("S1"), VehicleKind.RIGID_TRUCK, null, null, null);

        assertThat(isRefused(RULES.of(marked, TRUCK_DRIVE))).isTrue();
        assertThat(isRefused(RULES.of(marked, spare))).isTrue();
    }

    @Test
    void aTyreThatAsksForStoppingIsMendedInsteadOfMoved() {
        Standing leaking = new Standing(Tyre.UNKNOWN, null, null, "slow leak", true, Side.LEFT);
        Standing seeping = new Standing(Tyre.UNKNOWN, null, null, "slow leak", false, Side.LEFT);

        assertThat(isRefused(RULES.of(leaking, TRUCK_DRIVE))).isTrue();
        assertThat(RULES.of(seeping, TRUCK_DRIVE))
                .containsExactly(
                        new Advice(false, "An alert is open for it: slow leak. It ends here and goes with the tyre."));
    }

    // Loads and speeds of the symbols: ISO 4209-1 and UN Regulation 54, from memory.
    @ParameterizedTest(name = "{0} {1} on a {2} described with {3}: {4}")
    @CsvSource(
            nullValues = "-",
            value = {
                "156, L, RIGID_TRUCK, 156, 0",
                "155, L, RIGID_TRUCK, 156, 1",
                "156, F, RIGID_TRUCK, 156, 1",
                "148, F, SEMI_TRAILER, 160, 2",
                "156, G, RIGID_TRUCK, 156, 0",
                "156, G, BUS, 156, 1",
                "156, J, BUS, 156, 0",
                "156, A8, FARM_TRACTOR, 156, 0",
                "156, A6, FARM_TRACTOR, 156, 1",
                "-, -, RIGID_TRUCK, 156, 0",
                "148, k, RIGID_TRUCK, -, 0"
            })
    void aTyreThatIsNotBuiltForTheLoadOrTheSpeedIsPointedOut(
            Integer index, String symbol, VehicleKind kind, Integer described, int pointedOut) {
        Tyre tyre = new Tyre(null, null, null, index, symbol, null, null, null);
        Seat seat = new Seat(STEERED, kind, AxleRole.STEER, null, described);

        assertThat(RULES.of(standing(tyre, null), seat)).hasSize(pointedOut).noneMatch(Advice::isRefusal);
    }

    // 49 CFR 393.75(b): 4/32 in on the front wheels, (c): 2/32 in elsewhere; 1 in = 25.4 mm exactly [NIST SP 811].
    @ParameterizedTest
    @CsvSource({
        "3.17, STEER, true",
        "3.18, STEER, false",
        "3.17, DRIVE, false",
        "1.58, DRIVE, true",
        "1.59, DRIVE, false"
    })
    void theLeastTreadOfTheAxleItComesToCounts(double tread, AxleRole role, boolean isRefused) {
        assertThat(isRefused(RULES.of(standing(Tyre.UNKNOWN, tread), seat(VehicleKind.RIGID_TRUCK, role))))
                .isEqualTo(isRefused);
    }

    // 49 CFR 393.75(d): no retreads on the front wheels of a bus; elsewhere the fleet's own rule.
    @ParameterizedTest
    @CsvSource({
        "BUS, STEER, true, true",
        "BUS, STEER, false, true",
        "RIGID_TRUCK, STEER, false, true",
        "RIGID_TRUCK, STEER, true, false",
        "BUS, DRIVE, false, false"
    })
    void retreadsKeepOffSteeredAxles(VehicleKind kind, AxleRole role, boolean isAllowed, boolean isRefused) {
        Standing retread = standing(tyre(null, true, null), null);

        assertThat(isRefused(rules(isAllowed).of(retread, seat(kind, role)))).isEqualTo(isRefused);
    }

    @Test
    void anOldTyreIsRefusedInFrontAndPointedOutElsewhere() {
        Standing old = standing(tyre(null, null, "0116"), null);

        assertThat(isRefused(RULES.of(old, TRUCK_STEER))).isTrue();
        assertThat(RULES.of(old, TRUCK_DRIVE)).hasSize(1).noneMatch(Advice::isRefusal);
    }

    @Test
    void aPatternThatTurnsOneWayIsPointedOutOnTheOtherSideOnly() {
        Tyre directional = new Tyre(null, null, null, null, null, null, null, true);
        Standing fromLeft = standing(directional, null);
        Seat right = new Seat(Position.parse("1R"), VehicleKind.RIGID_TRUCK, AxleRole.DRIVE, null, null);

        assertThat(RULES.of(fromLeft, right)).hasSize(1);
        assertThat(RULES.of(fromLeft, TRUCK_DRIVE)).isEmpty();
    }

    @Test
    void twinsOfAnotherSizeAreRefusedAndAnAxlesEndsPointedOut() {
        Map<Position, Standing> twins = Map.of(
                Position.parse("2LO"), standing(tyre("315/80 R22.5", null, null), 9.0),
                Position.parse("2LI"), standing(tyre("295/80R22.5", null, null), 9.0));
        Map<Position, Standing> across = Map.of(
                Position.parse("1L"), standing(tyre("315/80 R22.5", null, null), 14.0),
                Position.parse("1R"), standing(tyre("315/80R22.5", null, null), 10.5));

        assertThat(isRefused(RULES.ofAxle(twins))).isTrue();
        assertThat(RULES.ofAxle(across))
                .extracting(Advice::words)
                .singleElement()
                .asString()
                .contains("3.5 mm")
                .contains("across the axle");
    }
}
