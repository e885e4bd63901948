package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/** The sentences with figures that an alert is told by. */
class AlertFiguresTest {

    private static final long DAY = 86_400_000;
    private static final long NOW = Instant.parse("2026-12-03T06:00:00Z").toEpochMilli();
    private static final Position WHEEL = Position.parse("1L");
    private static final AlertWords AT_HOME =
            new AlertWords(PressureUnit.KPA, TemperatureUnit.CELSIUS).by(ZoneId.of("Europe/Berlin"));

    private static String plain(String text) {
        return text.replace('\u00a0', ' ');
    }

    private static Alert alert(AlertKind kind, Urgency urgency, Evidence evidence) {
        return Alert.open(1, new Finding.Raised(WHEEL, kind, urgency, evidence));
    }

    private static String summary(AlertKind kind, EvidenceBuilder evidence) {
        return plain(AT_HOME.summary(alert(kind, Urgency.BEFORE_NEXT_TRIP, evidence.build()), "LM-26"));
    }

    private static List<String> reasons(AlertKind kind, EvidenceBuilder evidence) {
        return AT_HOME.reasons(alert(kind, Urgency.BEFORE_NEXT_TRIP, evidence.build())).stream()
                .map(AlertFiguresTest::plain)
                .toList();
    }

    private static EvidenceBuilder seep(Double targetKpa, long lowAt, int fillings) {
        return new EvidenceBuilder(NOW)
                .measured(760.0, 760.0, 20.0)
                .target(targetKpa)
                .overDays(new Evidence.OverDays(NOW - 5 * DAY, 12, 1.5, lowAt, fillings));
    }

    @Test
    void aLeakOfDaysIsToldByItsRateAndTheDayOfItsLimit() {
        assertThat(summary(AlertKind.SLOW_LEAK, seep(800.0, NOW + 3 * DAY, 0)))
                .isEqualTo("Axle 1 left of LM-26 loses 1.5 % (12 kPa) a day. It reaches its first limit about"
                        + " Sunday 6 December if it goes on like this.");
        assertThat(summary(AlertKind.SLOW_LEAK, seep(null, NOW, 1)))
                .isEqualTo("Axle 1 left of LM-26 loses 12 kPa a day. It is below its first limit.");
        assertThat(summary(AlertKind.SLOW_LEAK, seep(800.0, NOW + 1, 2)))
                .startsWith("Axle 1 left of LM-26 was filled 2 times in 5 days and loses 1.5 % (12 kPa) a day in"
                        + " between.");
        assertThat(reasons(AlertKind.SLOW_LEAK, seep(800.0, NOW, 0)))
                .contains("Measured cold or as a daily mean, it loses 12 kPa a day at 20 °C, give or take 3 kPa, since"
                        + " Saturday 28 November; the others kept theirs, so it is not the season.");
    }

    @ParameterizedTest
    @CsvSource({"1, 1 day", "86400000, 1 day", "129600000, 2 days", "432000000, 5 days"})
    void daysAreWhole(long millis, String words) {
        assertThat(Figures.days(millis)).isEqualTo(words);
    }

    private static EvidenceBuilder stepped(double kpa, long hoursAgo) {
        return new EvidenceBuilder(NOW)
                .measured(760.0, 760.0, 20.0)
                .step(new Evidence.Step(NOW - 12 * 3_600_000, NOW - hoursAgo * 3_600_000, kpa));
    }

    @Test
    void aStepIsToldWithItsTimeAndWhatItProves() {
        assertThat(reasons(AlertKind.UNDER_PRESSURE, stepped(-40, 3)))
                .contains(
                        "Air was let out or the tyre was set differently between Wed 2 Dec 19:00 and 04:00: 40 kPa less."
                                + " It has kept that since; a leak would go on.");
        assertThat(reasons(AlertKind.OVER_PRESSURE, stepped(40, 2)))
                .contains(
                        "Air was let in or the tyre was set differently between Wed 2 Dec 19:00 and 05:00: 40 kPa more."
                                + " It has kept that since; a leak would go on.");
        assertThat(reasons(AlertKind.UNDER_PRESSURE, stepped(-40, 1)))
                .anyMatch(reason -> reason.endsWith("The next few hours will show if it continues."));
        assertThat(reasons(AlertKind.TWIN_MISMATCH, stepped(-40, 1).other(Position.parse("1R"))))
                .noneMatch(reason -> reason.startsWith("Air was let"))
                .contains("The fuller one of a pair carries the load of both.");
    }

    @Test
    void aStepOverDaysIsToldWithBothDays() {
        EvidenceBuilder long1 =
                new EvidenceBuilder(NOW).measured(760.0, 760.0, 20.0).step(new Evidence.Step(NOW - DAY, NOW, 30));

        assertThat(reasons(AlertKind.OVER_PRESSURE, long1))
                .anyMatch(reason -> reason.contains("between Wed 2 Dec 07:00 and Thu 3 Dec 07:00"));
    }

    private static EvidenceBuilder at(double gauge, double at20, Double limit) {
        return new EvidenceBuilder(NOW)
                .measured(gauge, at20, 20.0)
                .target(800.0)
                .limits(limit, null);
    }

    @Test
    void theLimitIsNamedOnTheSideOnWhichItWasCrossedAndOnItsBasis() {
        assertThat(reasons(AlertKind.UNDER_PRESSURE, at(700, 690, 720.0).compensated(true)))
                .contains("Judged at 20 °C, 690 kPa is below the limit of 720 kPa (target 800 kPa).");
        assertThat(reasons(AlertKind.OVER_PRESSURE, at(950, 930, 920.0)))
                .contains("Judged on the gauge, 950 kPa is above the limit of 920 kPa (target 800 kPa).");
        assertThat(reasons(AlertKind.SLOW_LEAK, at(760, 760, 640.0)))
                .as("a leak has not come so far")
                .noneMatch(reason -> reason.startsWith("Judged"));
        assertThat(reasons(AlertKind.SLOW_LEAK, at(640, 640, 640.0))).anyMatch(reason -> reason.startsWith("Judged"));
        assertThat(reasons(AlertKind.UNDER_PRESSURE, at(700, 690, null)))
                .noneMatch(reason -> reason.startsWith("Judged"));
    }

    private static String heat(double shown, double limit, Urgency urgency) {
        Evidence evidence = new EvidenceBuilder(NOW)
                .measured(900.0, 780.0, shown)
                .limits(null, limit)
                .build();
        return plain(AT_HOME.summary(alert(AlertKind.HOT_TYRE, urgency, evidence), "LM-26"));
    }

    @Test
    void heatIsToldByTheSensorOrByThePressureOfACap() {
        assertThat(heat(72, 70, Urgency.NEXT_STOP))
                .isEqualTo("Axle 1 left of LM-26 is at 72 °C; its warning temperature is 70 °C.");
        assertThat(heat(60, 70, Urgency.STOP_NOW))
                .isEqualTo("Axle 1 left of LM-26 is at 60 °C; its stop temperature is 70 °C.");
        assertThat(heat(59, 70, Urgency.STOP_NOW))
                .isEqualTo("Axle 1 left of LM-26 is hotter inside than the 59 °C at its cap: by its pressure the air is"
                        + " beyond its stop temperature of 70 °C.");
        assertThat(summary(AlertKind.HOT_TYRE, new EvidenceBuilder(NOW))).isEqualTo("Axle 1 left of LM-26 is hot.");
    }

    @Test
    void whatNoFigureIsKnownOfIsToldWithout() {
        assertThat(summary(AlertKind.WEATHER_LOW, new EvidenceBuilder(NOW)))
                .isEqualTo("Cold weather has lowered the tyres of LM-26 together.");
        assertThat(summary(AlertKind.WEATHER_LOW, at(680, 760, null)))
                .isEqualTo("Cold weather has lowered the tyres of LM-26 together. The lowest is 15 % under target on"
                        + " the gauge.");
        assertThat(summary(AlertKind.FAST_LEAK, new EvidenceBuilder(NOW)))
                .isEqualTo("Axle 1 left of LM-26 loses air fast.");
        assertThat(summary(AlertKind.FAST_LEAK, new EvidenceBuilder(NOW).minutesToCritical(0)))
                .isEqualTo("Axle 1 left of LM-26 loses air fast. It is below its second limit.");
        assertThat(summary(AlertKind.FAST_LEAK, new EvidenceBuilder(NOW).minutesToCritical(12)))
                .isEqualTo("Axle 1 left of LM-26 loses air fast. It reaches its second limit in about 12 min.");
        assertThat(summary(
                        AlertKind.FAST_LEAK,
                        new EvidenceBuilder(NOW).minutesToCritical(60).loss(10.0, 6.0)))
                .as("so unsure that there is no latest time")
                .contains("(27 min to much later)");
        assertThat(summary(AlertKind.TWIN_MISMATCH, new EvidenceBuilder(NOW)))
                .isEqualTo("Axle 1 left of LM-26 carries less than its twin.");
        assertThat(summary(AlertKind.SENSOR_BATTERY, new EvidenceBuilder(NOW)))
                .isEqualTo("The battery of the sensor at axle 1 left of LM-26 is weak.");
    }

    @Test
    void theNoteOfTooMuchAirNamesTheFullest() {
        Evidence full = at(900, 900, null).build();
        Evidence unknown = new EvidenceBuilder(NOW).build();

        assertThat(plain(AT_HOME.summary(note(full), "LM-26")))
                .endsWith("The fullest is 13 % over target on the gauge.");
        assertThat(plain(AT_HOME.summary(note(unknown), "LM-26"))).endsWith("too much for warmer mornings.");
        assertThat(plain(AT_HOME.advice(note(full)))).endsWith("set them to target while they are cold.");
    }

    private static Alert note(Evidence evidence) {
        return Alert.open(1, new Finding.Raised(null, AlertKind.OVER_PRESSURE, Urgency.PLAN, evidence));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0.004|at its target",
                "-0.006|1 % under its target",
                "0.12|12 % over its target",
            })
    void whatRunsAlongIsToldByItsMedian(double deviation, String words) {
        assertThat(plain(AT_HOME.alongside(List.of("TK-21"), 6, 31, deviation)))
                .isEqualTo("It runs with TK-21: the median of its 6 wheels is 31 °C, " + words + " at 20 °C.");
    }

    @Test
    void whatIsCoupledIsNamed() {
        assertThat(AT_HOME.pulledAlong(List.of("TK-21"))).startsWith("It is coupled, and TK-21 is heard and moves.");
        assertThat(AT_HOME.pulledAlong(List.of("TK-21", "TK-22", "TK-23")))
                .startsWith("It is coupled, and TK-21, TK-22 and TK-23 are heard and move.");
    }

    /** A tyre that was run soft and filled reads well: what to do names the danger. */
    @ParameterizedTest
    @CsvSource({"640, false", "641, false", "642, true"})
    void aFillingAfterRunningSoftIsNamed(double kpa, boolean isNamed) {
        Evidence evidence = new EvidenceBuilder(NOW)
                .measured(kpa, kpa, 20.0)
                .target(800.0)
                .compensated(true)
                .runSoft(true)
                .build();
        String told = AT_HOME.summary(alert(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, evidence), "LM-26");

        assertThat(told.contains("which does not show that it is sound")).isEqualTo(isNamed);
    }

    /** Figures of now: how long there is follows from the pressure and the rate now. */
    @Test
    void timeLeftRunsDownAndIsNotMadeUp() {
        Evidence falling = new EvidenceBuilder(0)
                .measured(700.0, 700.0, 20.0)
                .target(800.0)
                .limits(640.0, null)
                .compensated(true)
                .minutesToCritical(60)
                .build();

        assertThat(falling.measuring(5 * 60_000 - 1, 699, 699, 20, null, true).minutesToCritical())
                .isEqualTo(55);
        assertThat(falling.measuring(5 * 60_000, 694, 694, 20, null, true).minutesToCritical())
                .as("it has stopped")
                .isNull();
        assertThat(falling.measuring(5 * 60_000, 693.9, 693.9, 20, null, true).minutesToCritical())
                .isEqualTo(55);
        assertThat(falling.measuring(60_000, 699, 690, 20, 10.0, true).minutesToCritical())
                .isEqualTo(300);
        assertThat(falling.measuring(60_000, 699, 690, 20, 0.0, true).minutesToCritical())
                .as("no rate leads nowhere, the judgement's own time runs down")
                .isEqualTo(59);
    }

    @Test
    void aTyreIsFlatAtAHandfulOfItsTarget() {
        assertThat(new EvidenceBuilder(0)
                        .measured(20.0, 20.0, 20.0)
                        .target(800.0)
                        .build()
                        .isFlat())
                .isTrue();
        assertThat(new EvidenceBuilder(0)
                        .measured(400.0, 400.0, 20.0)
                        .target(800.0)
                        .build()
                        .isFlat())
                .isFalse();
        assertThat(new EvidenceBuilder(0).measured(20.0, 20.0, 20.0).build().isFlat())
                .isFalse();
        assertThat(new EvidenceBuilder(0).target(800.0).build().isFlat()).isFalse();
    }
}
