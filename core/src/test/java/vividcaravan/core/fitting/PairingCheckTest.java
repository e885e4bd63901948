package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.WheelArrangement;

class PairingCheckTest {

    private static final AxleLayout TRAILER =
            new AxleLayout(List.of(new Axle(AxleRole.TRAILER, WheelArrangement.TWIN, false)), 0);
    private static final Position OUTER = Position.parse("1LO");
    private static final Position INNER = Position.parse("1LI");

    private final Map<Position, String> paired = new HashMap<>();
    private final Map<String, PairingCheck.Heard> heard = new HashMap<>();

    private List<PairingDoubt> doubts(Position position, String typed, PairingCheck.Known known) {
        PairingCheck check = new PairingCheck(
                WalkOrder.DOWN_LEFT_UP_RIGHT.positions(TRAILER), paired, Set.of(), MountKind.STRAP, heard);
        return check.doubts(position, SensorCode.read(typed), Optional.ofNullable(known));
    }

    private static List<PairingDoubt.Kind> kinds(List<PairingDoubt> doubts) {
        return doubts.stream().map(PairingDoubt::kind).toList();
    }

    private void hear(String code, Integer rssi) {
        heard.put(code, new PairingCheck.Heard(code, rssi, false));
    }

    private static PairingCheck.Known fitted(String place, Position here, MountKind mount) {
        return new PairingCheck.Known(place, here != null, here, mount, false);
    }

    @Test
    void nothingSpeaksAgainstANewcomerHeardStrongly() {
        hear("5B0D40", -55);

        assertThat(doubts(OUTER, "5b0d40", null)).isEmpty();
    }

    @Test
    void whatIsNoCodeIsRefusedWithAGuess() {
        List<PairingDoubt> doubts = doubts(OUTER, "5BOD40", null);

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.NO_CODE);
        assertThat(doubts.get(0).kind().weight()).isEqualTo(PairingDoubt.Weight.REFUSED);
        assertThat(doubts.get(0).codes()).containsExactly("5B0D40");
    }

    @Test
    void aCodeTakenForAnotherWheelIsCaughtAndSaysWhere() {
        hear("5B0D40", -55);
        paired.put(OUTER, "5B0D40");

        List<PairingDoubt> doubts = doubts(INNER, "5B0D40", fitted("1LO of GT-18", OUTER, MountKind.STRAP));

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.ALREADY_HERE);
        assertThat(doubts.get(0).words()).contains("axle 1 left outer");
    }

    @Test
    void aCodeOnAnotherVehicleIsCaughtAndSaysWhere() {
        hear("5B0D40", -55);

        List<PairingDoubt> doubts = doubts(OUTER, "5B0D40", fitted("2LO of LM-22", null, MountKind.STRAP));

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.ON_ANOTHER_VEHICLE);
        assertThat(doubts.get(0).words()).contains("2LO of LM-22");
    }

    @Test
    void aRetiredSensorIsRefused() {
        hear("5B0D40", -55);

        List<PairingDoubt> doubts =
                doubts(OUTER, "5B0D40", new PairingCheck.Known(null, false, null, MountKind.STRAP, true));

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.RETIRED);
    }

    @Test
    void aWheelThatHasAnotherSensorIsToBeConfirmed() {
        hear("5B0D41", -55);
        paired.put(OUTER, "5B0D40");

        assertThat(kinds(doubts(OUTER, "5B0D41", null))).containsExactly(PairingDoubt.Kind.WHEEL_TAKEN);
        assertThat(doubts(OUTER, "5B0D40", fitted("1LO of GT-18", OUTER, MountKind.STRAP)))
                .isEmpty();
    }

    @Test
    void aWeakStrangerBesideAStrongOneIsTheNeighboursPerhaps() {
        hear("91C7A0", -85);
        hear("5B0D41", -55);

        List<PairingDoubt> doubts = doubts(OUTER, "91C7A0", null);

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.WEAK_STRANGER);
        assertThat(doubts.get(0).codes()).containsExactly("5B0D41");
    }

    @Test
    void aMisreadDigitIsFoundAmongThoseHeard() {
        hear("580D41", -55);

        List<PairingDoubt> doubts = doubts(OUTER, "5B0D41", null);

        assertThat(kinds(doubts)).containsExactly(PairingDoubt.Kind.LOOKS_LIKE_ANOTHER);
        assertThat(doubts.get(0).codes()).containsExactly("580D41");
    }

    @Test
    void aSensorThatSleepsAWheelPassedByAndAnotherMountAreOnlySaid() {
        List<PairingDoubt> doubts = doubts(INNER, "5B0D41", fitted(null, null, MountKind.CAP));

        assertThat(kinds(doubts))
                .containsExactly(
                        PairingDoubt.Kind.NOT_HEARD, PairingDoubt.Kind.WHEEL_SKIPPED, PairingDoubt.Kind.ANOTHER_MOUNT);
        assertThat(doubts)
                .allSatisfy(doubt -> assertThat(doubt.kind().weight()).isEqualTo(PairingDoubt.Weight.WORTH_KNOWING));
    }
}
