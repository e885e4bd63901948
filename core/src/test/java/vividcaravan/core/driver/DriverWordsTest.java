package vividcaravan.core.driver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.EvidenceBuilder;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.words.Language;

class DriverWordsTest {

    private static Alert alert(AlertKind kind, Urgency urgency, boolean isParked, boolean isRunSoft) {
        Evidence evidence = new EvidenceBuilder(1_000)
                .measured(640.0, 640.0, 20.0)
                .target(800.0)
                .limits(720.0, null)
                .compensated(true)
                .runSoft(isRunSoft)
                .parked(isParked)
                .build();
        return Alert.open(1, new Finding.Raised(Position.parse("2RI"), kind, urgency, evidence));
    }

    /** What is told of an alert against which nothing but itself speaks. */
    private static Instruction told(DriverWords words, Alert alert, String ref) {
        return words.instruction(alert, ref, holds(alert));
    }

    private static Departure.Holds holds(Alert... open) {
        Departure.Facts facts =
                new Departure.Facts(List.of(open), List.of(), List.of(), List.of(), List.of(), Set.of());
        return new Departure.Holds(Departure.of(facts).verdict(), Departure.byAlert(facts));
    }

    @ParameterizedTest
    @EnumSource(Language.class)
    void thereAreWordsForWhateverAnAlertMaySay(Language language) {
        DriverWords words = DriverWords.in(language);
        for (AlertKind kind : AlertKind.values()) {
            for (Urgency urgency : Urgency.values()) {
                for (boolean is : new boolean[] {true, false}) {
                    Instruction told = told(words, alert(kind, urgency, is, !is), "LM-22");
                    assertThat(told.text(null)).contains("LM-22").doesNotContain("{", "null");
                }
            }
        }
        Stream.of(DriverAnswer.values())
                .forEach(answer -> assertThat(words.page()).containsKey("said." + answer));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "EN | 2RI | LM-22, axle 2 counted from the front, right side, the inner one of the two tyres",
                "EN | 2LO | LM-22, axle 2 counted from the front, left side, the outer one of the two tyres",
                "EN | 1L  | LM-22, axle 1 counted from the front, left side",
                "EN | S1  | LM-22, spare wheel 1",
                "DE | 2RI | LM-22, Achse 2 von vorn, rechte Seite, der innere der beiden Reifen",
                "DE | 12L | LM-22, Achse 12 von vorn, linke Seite"
            })
    void aWheelIsNamedSoThatItCannotBeTakenForAnother(Language language, String code, String words) {
        assertThat(DriverWords.in(language).where(Position.parse(code), "LM-22"))
                .isEqualTo(words);
    }

    @Test
    void whatIsDangerousIsSaidAndInTheRightOrder() {
        DriverWords words = DriverWords.in(Language.EN);

        Instruction hot = told(words, alert(AlertKind.HOT_WHEEL_END, Urgency.STOP_NOW, false, false), "BV-03");
        assertThat(hot.doNow()).startsWith("Stop now");
        assertThat(hot.doNot().get(0)).contains("Do not stand beside the wheel");
        assertThat(hot.doNot()).anyMatch(not -> not.contains("water")).anyMatch(not -> not.contains("drive on"));
        assertThat(hot.then()).contains("emergency services");

        Instruction soft = told(words, alert(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, true, true), "BV-03");
        assertThat(soft.doNow()).isEqualTo("Do not move the vehicle.");
        assertThat(soft.doNot()).anyMatch(not -> not.contains("damaged inside"));

        Instruction low = told(words, alert(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false, false), "BV-03");
        assertThat(low.doNot()).noneMatch(not -> not.contains("drive on"));
    }

    /** "Go on to the next safe stop" and "do not drive on" are never one breath: the second holds once it stands. */
    @ParameterizedTest
    @EnumSource(Language.class)
    void noInstructionContradictsItself(Language language) {
        Instruction told = told(
                DriverWords.in(language), alert(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, false, false), "LM-22");

        assertThat(told.doNot().toString()).containsAnyOf("Once stopped", "Nach dem Anhalten");
        assertThat(told.doNow()).doesNotContain("carefully", "Vorsichtig");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "EN | FLAT   | A person saw this tyre flat.",
                "EN | NUTS   | A person saw a loose or missing wheel nut here.",
                "EN | DAMAGE | A person saw a cut, a bulge or cord here.",
                "DE | FLAT   | Dieser Reifen wurde platt gesehen.",
                "DE | NUTS   | Hier wurde eine lose oder fehlende Radmutter gesehen.",
                "EN | OTHER  | A person saw a fault here."
            })
    void whatAPersonSawIsSaid(Language language, WalkPoint point, String words) {
        Position wheel = Position.parse("1L");
        Alert seen = Alert.open(
                1,
                WalkFault.sights(List.of(new WalkFault(wheel, point, null)), "tansley")
                        .get(0),
                1_000);

        Instruction told = told(DriverWords.in(language), seen, "LM-22");

        assertThat(told.why()).isEqualTo(words);
        boolean isBanned =
                told.doNot().stream().anyMatch(not -> not.contains("damaged inside") || not.contains("innen"));
        assertThat(isBanned).as("no air for what was seen flat").isEqualTo(point == WalkPoint.FLAT);
    }

    @ParameterizedTest
    @EnumSource(
            value = DriverAnswer.class,
            names = {"SMOKE", "HELP", "FLAT"})
    void whatADriverReportedIsSaidToTheNext(DriverAnswer answer) {
        Alert seen = Alert.open(1, answer.sight(Position.parse("1L"), "tansley").orElseThrow(), 1_000);

        assertThat(told(DriverWords.in(Language.EN), seen, "LM-22").why()).doesNotContain("a fault here");
    }

    @ParameterizedTest
    @EnumSource(Language.class)
    void aHotWheelGetsThePassengersOffAndTheWheelsChocked(Language language) {
        String told = told(
                        DriverWords.in(language),
                        alert(AlertKind.HOT_WHEEL_END, Urgency.STOP_NOW, false, false),
                        "BV-03")
                .then();

        assertThat(told).containsAnyOf("passengers off", "Fahrgäste aussteigen");
        assertThat(told).containsAnyOf("Chock the wheels", "Räder verkeilen");
        assertThat(told).startsWith(language == Language.EN ? "If you see smoke" : "Bei Rauch");
    }

    @Test
    void aTextForAMessageEndsWithWhomToCall() {
        DriverWords words = DriverWords.in(Language.DE);
        Instruction told = told(words, alert(AlertKind.FAST_LEAK, Urgency.STOP_NOW, false, false), "GX-05");

        assertThat(told.text(words.call("Larkmoor", "+353 1 555 0100")))
                .startsWith("Sofort anhalten")
                .endsWith("Larkmoor anrufen: +353 1 555 0100");
    }

    private static String doNow(Urgency urgency, boolean isParked, Departure.Verdict own, Departure.Verdict whole) {
        Alert alert = alert(AlertKind.UNDER_PRESSURE, urgency, isParked, false);
        Map<Long, Departure.Verdict> byAlert = own == Departure.Verdict.MAY_LEAVE ? Map.of() : Map.of(1L, own);
        return DriverWords.in(Language.EN)
                .instruction(alert, "LM-22", new Departure.Holds(whole, byAlert))
                .doNow();
    }

    /** What to do now, by what the alert calls for, where the vehicle is and what the gate says. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "PLAN|true|MAY_LEAVE|MAY_LEAVE|You may drive. The workshop plans this in.",
                "PLAN|false|MAY_LEAVE|LOOK_FIRST|The workshop plans this in.",
                "STOP_NOW|false|LOOK_FIRST|LOOK_FIRST|Stop now, at the first safe place.",
                "NEXT_STOP|false|LOOK_FIRST|LOOK_FIRST|Go on to the next safe stop without haste, and stop there.",
                "NEXT_STOP|true|LOOK_FIRST|LOOK_FIRST|Before you leave, have this checked by hand.",
                "STOP_NOW|true|LOOK_FIRST|LOOK_FIRST|Before you leave, have this checked by hand.",
                "BEFORE_NEXT_TRIP|false|LOOK_FIRST|LOOK_FIRST|Before you leave, have this checked by hand.",
                "PLAN|false|NOT_YET|NOT_YET|Finish this trip. Have this fixed before the next.",
                "PLAN|true|NOT_YET|NOT_YET|Before you leave, have this fixed.",
                "BEFORE_NEXT_TRIP|true|NOT_YET|NOT_YET|Before you leave, have this fixed.",
                "NEXT_STOP|true|NOT_YET|NOT_YET|Do not drive off until this has been checked.",
                "STOP_NOW|true|NOT_YET|NOT_YET|Do not move the vehicle.",
                "STOP_NOW|false|NOT_YET|NOT_YET|Stop now, at the first safe place.",
            })
    void whatToDoNowFollowsFromTheAlertAndTheVerdict(
            Urgency urgency, boolean isParked, Departure.Verdict own, Departure.Verdict whole, String words) {
        assertThat(doNow(urgency, isParked, own, whole)).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"2RI|axle 2, right, inner", "2LO|axle 2, left, outer", "1L|axle 1, left", "S2|spare wheel 2"})
    void aWheelOfAKnownVehicleIsNamedShortly(String code, String words) {
        assertThat(DriverWords.in(Language.EN).wheel(Position.parse(code)).replace(" side", ""))
                .isEqualTo(words);
    }
}
