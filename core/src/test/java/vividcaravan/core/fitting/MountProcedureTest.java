package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.TyreSpec;

/** Steps and conditions are common practice; the sensor maker's instructions override. */
class MountProcedureTest {

    @ParameterizedTest
    @EnumSource
    void hasStepsAndSaysThatTheMakerGoesFirst(MountKind mount) {
        MountProcedure procedure = MountProcedure.of(mount);

        assertThat(procedure.steps()).hasSizeGreaterThan(2);
        assertThat(procedure.cautions()).last().asString().contains("maker");
    }

    @ParameterizedTest
    @CsvSource({"14.9, false", "15, true", "35, true", "35.1, false", "NaN, false"})
    void glueNeedsWarmth(double celsius, boolean isEnough) {
        MountProcedure.Step warm = MountProcedure.of(MountKind.GLUED).steps().stream()
                .filter(MountProcedure.Step::needsWarmth)
                .findFirst()
                .orElseThrow();

        assertThat(MountProcedure.isWarmEnough(warm, celsius)).isEqualTo(isEnough);
    }

    @Test
    void glueIsPressedForTwentySeconds() {
        assertThat(MountProcedure.of(MountKind.GLUED).steps())
                .extracting(MountProcedure.Step::seconds)
                .contains(20);
    }

    @ParameterizedTest
    @CsvSource({
        "STRAP, 30, 22.5, true",
        "STRAP, 29, 22.5, false",
        "STRAP, 40, 17.5, true",
        "STRAP, 40, 16, false",
        "STRAP, 40, 25, false",
        "BELT, 40, 22.5, false",
        "BELT, 41, 22.5, true",
        "CAP, 5, 15, true"
    })
    void aMountFitsOnlyRimsThatAreMadeForIt(MountKind mount, double dropMm, double rim, boolean fits) {
        TyreSpec spec = new TyreSpec(null, null, null, rim, dropMm);

        assertThat(MountProcedure.misfits(mount, spec, false).isEmpty()).isEqualTo(fits);
        assertThat(MountProcedure.misfits(mount, TyreSpec.UNKNOWN, false)).isEmpty();
    }

    @Test
    void aNarrowBeltNeedsLess() {
        TyreSpec narrow = new TyreSpec(null, null, null, 22.5, 25.0);

        assertThat(MountProcedure.misfits(MountKind.BELT, narrow, true)).isEmpty();
        assertThat(MountProcedure.misfits(MountKind.BELT, narrow, false)).hasSize(1);
    }
}
