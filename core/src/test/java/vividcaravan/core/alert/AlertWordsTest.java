package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

class AlertWordsTest {

    private static final AlertWords AMERICAN = new AlertWords(PressureUnit.PSI, TemperatureUnit.FAHRENHEIT);

    private static Alert alert(AlertKind kind, Urgency urgency, boolean isRunSoft, boolean isParked) {
        Evidence evidence = new EvidenceBuilder(1_000)
                .measured(760.0, 672.0, 54.0)
                .target(780.0)
                .limits(702.0, 70.0)
                .compensated(true)
                .fall(95.0)
                .minutesToCritical(12)
                .runSoft(isRunSoft)
                .parked(isParked)
                .battery(2450)
                .loss(9.0, 0.5)
                .others(new Others(3, 40.0, 41.0, null, 780.0, 0.4, -0.01))
                .build();
        return Alert.open(1, new Finding.Raised(Position.parse("2LO"), kind, urgency, evidence));
    }

    private static String plain(String text) {
        return text.replace('\u00a0', ' ');
    }

    @Test
    void saysWhatHappensInTheReadersUnits() {
        Alert low = alert(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false, false);

        assertThat(plain(AlertWords.METRIC.summary(low, "GX-05")))
                .isEqualTo("Axle 2 left outer of GX-05 is 14 % under its target: 672 kPa at 20 °C instead of 780 kPa.");
        assertThat(plain(AMERICAN.summary(low, "GX-05")))
                .isEqualTo(
                        "Axle 2 left outer of GX-05 is 14 % under its target: 97.5 psi at 68 °F instead of 113.1 psi.");
    }

    @Test
    void saysHowLongThereIs() {
        Alert leak = alert(AlertKind.FAST_LEAK, Urgency.STOP_NOW, false, false);

        assertThat(plain(AlertWords.METRIC.summary(leak, "GX-05")))
                .contains("lost 95 kPa within ten minutes")
                .contains("in about 12 min");
    }

    @Test
    void aLeakIsSaidWithItsRateItsTimeAndHowSureThatIs() {
        Alert leak = alert(AlertKind.SLOW_LEAK, Urgency.NEXT_STOP, false, false);

        // 9 kPa an hour, give or take twice 0.5: 12 minutes are 10.8 to 13.5.
        assertThat(plain(AlertWords.METRIC.summary(leak, "GX-05")))
                .isEqualTo(
                        "Axle 2 left outer of GX-05 loses 9 kPa an hour. It reaches its second limit in about 12 min "
                                + "(11 min to 14 min) if it goes on like this.");
        assertThat(AlertWords.METRIC.reasons(leak))
                .anySatisfy(reason -> assertThat(plain(reason)).contains("give or take 1 kPa"));
        assertThat(plain(AMERICAN.summary(leak, "GX-05"))).contains("loses 1.3 psi an hour");
    }

    @ParameterizedTest
    @CsvSource({"12, 12 min", "119, 119 min", "120, 2.0 h", "255, 4.3 h", "596, 9.9 h", "600, 10 h", "1500, 25 h"})
    void aTimeIsSaidAsFineAsItMatters(double minutes, String words) {
        assertThat(plain(Figures.duration(minutes))).isEqualTo(words);
    }

    @Test
    void aFallThatHasStoppedLeadsNowhere() {
        Evidence leak =
                alert(AlertKind.FAST_LEAK, Urgency.STOP_NOW, false, false).evidence();
        Evidence noRate = new EvidenceBuilder(1_000)
                .measured(760.0, 672.0, 54.0)
                .target(780.0)
                .limits(624.0, null)
                .compensated(true)
                .fall(95.0)
                .minutesToCritical(12)
                .build();

        // 48 kPa above the limit at 9 kPa an hour are 320 minutes; the evidence's own limit is 702.
        assertThat(leak.measuring(2_000, 800, 750, 40, null, null).minutesToCritical())
                .isEqualTo(320);
        assertThat(noRate.measuring(61_000, 755, 660, 54, null, null).minutesToCritical())
                .isEqualTo(11);
        assertThat(noRate.measuring(600_000, 758, 671, 54, null, null).minutesToCritical())
                .isNull();
    }

    @Test
    void aHotWheelEndIsSaidAgainstTheOthersAndATwinAgainstItsMate() {
        Alert hot = alert(AlertKind.HOT_WHEEL_END, Urgency.NEXT_STOP, false, false);
        Alert twin = alert(AlertKind.TWIN_MISMATCH, Urgency.BEFORE_NEXT_TRIP, false, false);

        assertThat(plain(AlertWords.METRIC.summary(hot, "GX-05"))).contains("is 14 °C hotter");
        assertThat(plain(AMERICAN.summary(hot, "GX-05"))).contains("is 25 °F hotter");
        assertThat(plain(AlertWords.METRIC.summary(twin, "GX-05"))).contains("has 108 kPa less than its twin");
    }

    @Test
    void stopNowMeansDoNotMoveForAVehicleThatStands() {
        assertThat(AlertWords.METRIC.advice(alert(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, true, true)))
                .startsWith("Do not inflate this tyre on the vehicle. Do not move the vehicle.");
        assertThat(AlertWords.METRIC.advice(alert(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, true, false)))
                .startsWith("Do not inflate this tyre on the vehicle. Stop at the first safe place.");
        assertThat(AlertWords.METRIC.advice(alert(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, false, true)))
                .startsWith("Do not move the vehicle.");
    }

    @ParameterizedTest
    @EnumSource(
            value = AlertKind.class,
            names = {
                "FAST_LEAK",
                "SLOW_LEAK",
                "UNDER_PRESSURE",
                "OVER_PRESSURE",
                "TWIN_MISMATCH",
                "HOT_TYRE",
                "HOT_WHEEL_END"
            })
    void neverAdvisesToFillATyreThatWasRunSoft(AlertKind kind) {
        Alert soft = alert(kind, Urgency.STOP_NOW, true, false);

        assertThat(AlertWords.METRIC.advice(soft))
                .startsWith("Do not inflate this tyre on the vehicle. ")
                .containsIgnoringCase("inspected inside")
                .doesNotContain("set it to target")
                .doesNotContain("set both");
        // 29 CFR 1910.177(f), (g), from memory.
        assertThat(AlertWords.safetyNotes(soft)).contains(SafetyNote.RUN_SOFT).doesNotContain(SafetyNote.INFLATE);
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void settingToTargetIsAdvisedForAColdTyreOnly(AlertKind kind) {
        for (Urgency urgency : Urgency.values()) {
            String advice = AlertWords.METRIC.advice(alert(kind, urgency, false, false));
            assertThat(!advice.contains("to target") || advice.contains("cold")).isTrue();
        }
    }

    @Test
    void whoeverGoesToAWheelThatFellSilentAfterTroubleIsCautioned() {
        Alert silent = alert(AlertKind.SENSOR_SILENT, Urgency.NEXT_STOP, false, false);

        assertThat(AlertWords.METRIC.advice(silent)).contains("from a distance");
        assertThat(AlertWords.safetyNotes(silent)).containsExactly(SafetyNote.HOT_WHEEL, SafetyNote.RUN_SOFT);
        assertThat(AlertWords.safetyNotes(alert(AlertKind.SENSOR_SILENT, Urgency.PLAN, false, false)))
                .isEmpty();
    }

    @Test
    void theWeatherIsNoProofThatNothingLeaks() {
        assertThat(AlertWords.METRIC.summary(alert(AlertKind.WEATHER_LOW, Urgency.PLAN, false, true), "GX-05"))
                .doesNotContain("leak");
    }

    @Test
    void warnsOfAHotWheelBeforeAnyoneGoesNear() {
        Alert hot = alert(AlertKind.HOT_TYRE, Urgency.STOP_NOW, false, false);

        assertThat(AlertWords.safetyNotes(hot)).containsExactly(SafetyNote.HOT_WHEEL, SafetyNote.NEVER_BLEED);
        assertThat(SafetyNote.HOT_WHEEL.text()).contains("Do not use water").contains("emergency services");
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void everyKindIsSaidAsSentencesWithoutAGap(AlertKind kind) {
        Alert alert = alert(kind, Urgency.PLAN, false, false);

        String summary = AlertWords.METRIC.summary(alert, "GX-05");
        String advice = AlertWords.METRIC.advice(alert);
        List<String> reasons = AlertWords.METRIC.reasons(alert);

        assertThat(List.of(summary, advice)).allSatisfy(text -> assertThat(text)
                .matches("(?s)\\p{Lu}.*\\.")
                .doesNotContain("null")
                .doesNotContain("  ")
                .doesNotContainIgnoringCase("error")
                .doesNotContainIgnoringCase("alarm"));
        assertThat(summary).contains("GX-05");
        assertThat(reasons).isNotEmpty().allSatisfy(reason -> assertThat(reason).doesNotContain("null"));
        assertThat(AlertWords.METRIC.causes(alert)).isNotEmpty().allSatisfy(cause -> {
            assertThat(cause.likely()).matches("\\p{Lu}.*[^.]").doesNotContain("null");
            assertThat(cause.because())
                    .matches("(?s).*\\.")
                    .doesNotContain("null")
                    .doesNotContain("  ");
        });
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void everyKindIsSaidEvenWhereNothingWasMeasuredAndNobodyElseHeard(AlertKind kind) {
        Evidence bare = Evidence.ofSilence(1_000, null, null, Others.NONE);
        Alert alert = Alert.open(1, new Finding.Raised(Position.parse("1L"), kind, Urgency.PLAN, bare));

        assertThat(AlertWords.METRIC.summary(alert, "GX-05"))
                .doesNotContain("null")
                .endsWith(".");
        assertThat(AlertWords.METRIC.reasons(alert))
                .allSatisfy(reason -> assertThat(reason).doesNotContain("null"));
        assertThat(AlertWords.METRIC.causes(alert))
                .allSatisfy(cause -> assertThat(cause.because()).doesNotContain("null"));
    }
}
