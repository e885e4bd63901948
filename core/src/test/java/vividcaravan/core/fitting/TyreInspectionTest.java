package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;

class TyreInspectionTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);
    private static final TyreInspection.Rules RULES = TyreInspection.Rules.DEFAULT;

    private static TyreInspection tread(double... mm) {
        List<Double> points = java.util.Arrays.stream(mm).boxed().toList();
        return new TyreInspection(points, "3423", TyreInspection.Stem.SOUND, true, false, null, null);
    }

    /** 49 CFR 393.75: 4/32 in on steered axles, 2/32 in elsewhere; 4/32 in = 3.175 mm by NIST SP 811. */
    @ParameterizedTest
    @CsvSource({
        "STEER, 3.17, false",
        "STEER, 3.18, true",
        "DRIVE, 1.58, false",
        "DRIVE, 1.59, true",
        "TRAILER, 1.6, true"
    })
    void theShallowestPointDecides(AxleRole role, double mm, boolean passes) {
        assertThat(tread(9, mm, 8)
                        .failures(VehicleKind.RIGID_TRUCK, role, RULES, TODAY)
                        .isEmpty())
                .isEqualTo(passes);
    }

    @Test
    void aSoundYoungTyrePasses() {
        assertThat(tread(9, 8.5, 9).failures(VehicleKind.RIGID_TRUCK, AxleRole.STEER, RULES, TODAY))
                .isEmpty();
    }

    @Test
    void aTyreOfTenYearsIsTooOld() {
        TyreInspection old =
                new TyreInspection(List.of(9.0), "4716", TyreInspection.Stem.SOUND, true, false, null, null);

        assertThat(old.failures(VehicleKind.RIGID_TRUCK, AxleRole.DRIVE, RULES, TODAY))
                .singleElement()
                .asString()
                .contains("10 years old");
    }

    @ParameterizedTest
    @EnumSource(
            value = TyreInspection.Stem.class,
            names = {"SCRATCHED", "RUSTY", "BENT"})
    void aStemThatIsNotSoundFails(TyreInspection.Stem stem) {
        TyreInspection seen = new TyreInspection(List.of(9.0), "3423", stem, true, false, null, null);

        assertThat(seen.failures(VehicleKind.RIGID_TRUCK, AxleRole.DRIVE, RULES, TODAY))
                .hasSize(1);
    }

    @Test
    void aRetreadIsNotForSteeredAxlesUnlessTheFleetSaysSo() {
        TyreInspection retread =
                new TyreInspection(List.of(9.0), "3423", TyreInspection.Stem.SOUND, true, true, null, null);

        assertThat(retread.failures(VehicleKind.RIGID_TRUCK, AxleRole.STEER, RULES, TODAY))
                .hasSize(1);
        assertThat(retread.failures(VehicleKind.RIGID_TRUCK, AxleRole.DRIVE, RULES, TODAY))
                .isEmpty();
        assertThat(retread.failures(
                        VehicleKind.RIGID_TRUCK, AxleRole.STEER, new TyreInspection.Rules(3, 1.6, 10, true), TODAY))
                .isEmpty();
    }

    /** 49 CFR 393.75(d). */
    @Test
    void aBusHasNoRetreadsInFrontWhateverTheFleetSays() {
        TyreInspection retread =
                new TyreInspection(List.of(9.0), "3423", TyreInspection.Stem.SOUND, true, true, null, null);
        TyreInspection.Rules easy = new TyreInspection.Rules(3, 1.6, 10, true);

        assertThat(retread.failures(VehicleKind.BUS, AxleRole.STEER, easy, TODAY))
                .singleElement()
                .asString()
                .contains("front wheel of a bus");
        assertThat(retread.failures(VehicleKind.BUS, AxleRole.DRIVE, easy, TODAY))
                .isEmpty();
    }

    @Test
    void whatIsTooShallowReadsSo() {
        assertThat(tread(3.17).failures(VehicleKind.RIGID_TRUCK, AxleRole.STEER, RULES, TODAY))
                .containsExactly("Its tread is 3.17 mm at the shallowest, the least is 3.18 mm.");
    }

    @Test
    void everythingThatIsWrongIsSaid() {
        TyreInspection seen =
                new TyreInspection(List.of(), null, TyreInspection.Stem.BENT, false, true, "cut in the sidewall", null);

        assertThat(seen.failures(VehicleKind.RIGID_TRUCK, AxleRole.STEER, RULES, TODAY))
                .hasSize(6);
    }

    @Test
    void matesThatDifferAreMatched() {
        assertThat(tread(9).unlikeMate(tread(6))).isEmpty();
        assertThat(tread(9).unlikeMate(tread(5.9))).hasSize(1);
    }

    private static TyreInspection written(String tyre, boolean isRetread) {
        return new TyreInspection(List.of(9.0), "3423", TyreInspection.Stem.SOUND, true, isRetread, null, tyre);
    }

    @Test
    void matesOfAnotherTypeOrSizeAreMatchedAndRetreadsGoTogether() {
        TyreInspection one = written("315/80 R22.5 drive", false);

        assertThat(one.unlikeMate(written("315/80R22.5 DRIVE", false))).isEmpty();
        assertThat(one.unlikeMate(written("295/80 R22.5 drive", false)))
                .singleElement()
                .asString()
                .contains("295/80 R22.5 drive");
        assertThat(one.unlikeMate(written(null, false))).as("not written down").isEmpty();
        assertThat(one.unlikeMate(written("315/80 R22.5 drive", true))).hasSize(1);
    }

    @Test
    void aDepthThatCannotBeIsRefused() {
        assertThatThrownBy(() -> tread(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> tread(-1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> tread(81)).isInstanceOf(IllegalArgumentException.class);
    }
}
