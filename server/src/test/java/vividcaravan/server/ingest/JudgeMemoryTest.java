package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.judge.VehicleJudge;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.LimitPolicy;
import vividcaravan.core.units.AbsolutePressure;

class JudgeMemoryTest {

    private static final AxleLayout LAYOUT = new AxleLayout(
            List.of(
                    new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)),
            0);
    private static final AxleLimits LIMITS = new AxleLimits(800, LimitPolicy.DEFAULT);
    private static final VehicleRules RULES = new VehicleRules(
            VehicleKind.RIGID_TRUCK,
            LAYOUT,
            List.of(LIMITS, LIMITS),
            new SensorAir(AbsolutePressure.STANDARD_ATMOSPHERE, Set.of()));
    private static final long BEGIN = 1_700_000_000_000L;
    private static final long MINUTE = 60_000;

    private final List<Finding> findings = new ArrayList<>();

    /** A morning's drive in which the wheel 1L loses air, and the day before it. */
    private void drive(VehicleJudge judge, int from, int to) {
        for (int minute = from; minute < to; minute++) {
            double warm = 20 + 25 * (1 - Math.exp(-(minute % 720) / 40.0));
            for (Position position : LAYOUT.positions()) {
                double lost = position.code().equals("1L") ? Math.max(0, minute - 800) * 0.15 : 0;
                double kpa = (800 - lost + 101.325) * (warm + 273.15) / 293.15 - 101.325;
                long sensor = position.code().hashCode();
                Fitting stay = new Fitting(sensor, 1, position, 0, Fitting.OPEN);
                judge.judge(
                        stay,
                        MountKind.STRAP,
                        new Reading(BEGIN + minute * MINUTE + sensor % 50, kpa, warm, 2900, -80, null),
                        findings::add);
            }
        }
    }

    @Test
    void aJudgeThatTakesItUpGoesOnAsIfNothingHadBeen() {
        VehicleJudge through = new VehicleJudge(RULES);
        drive(through, 0, 1100);
        List<Finding> atOnce = List.copyOf(findings);

        findings.clear();
        VehicleJudge before = new VehicleJudge(RULES);
        drive(before, 0, 840);
        VehicleJudge after = new VehicleJudge(RULES);
        after.takeUp(JudgeMemory.read(JudgeMemory.write(before.memory())));
        drive(after, 840, 1100);

        assertThat(findings).isEqualTo(atOnce);
        assertThat(atOnce).anyMatch(Finding.Raised.class::isInstance);
        assertThat(JudgeMemory.write(after.memory())).isEqualTo(JudgeMemory.write(through.memory()));
    }

    /** What the version before wrote after the same readings. */
    @Test
    void whatWasStoredWithoutNamesIsTakenUpToo() throws IOException {
        drive(new VehicleJudge(RULES), 0, 1100);
        List<Finding> atOnce = List.copyOf(findings);

        findings.clear();
        drive(new VehicleJudge(RULES), 0, 840);
        VehicleJudge after = new VehicleJudge(RULES);
        try (InputStream stored = getClass().getResourceAsStream("/upgrade/judge-format-5.bin")) {
            after.takeUp(JudgeMemory.read(stored.readAllBytes()));
        }
        drive(after, 840, 1100);

        assertThat(findings).isEqualTo(atOnce);
        VehicleJudge unknowing = new VehicleJudge(RULES);
        findings.clear();
        drive(unknowing, 840, 1100);
        assertThat(atOnce).doesNotContainSequence(findings);
    }

    /** With a sensor that was replaced there are two stays at a wheel: at 100,000 wheels that is less than half a gigabyte. */
    @Test
    void whatIsKeptOfAWheelStaysUnderTwoThousandTwoHundredBytes() {
        VehicleJudge judge = new VehicleJudge(RULES);
        drive(judge, 0, 1100);

        assertThat(JudgeMemory.write(judge.memory()).length / LAYOUT.positions().size())
                .isBetween(500, 2_200);
    }

    @Test
    void whatIsOlderThanTheLastFormatWithoutNamesBeginsAfresh() {
        assertThat(JudgeMemory.read(new byte[] {4, 1, 2, 3})).isEqualTo(Map.of());
    }
}
