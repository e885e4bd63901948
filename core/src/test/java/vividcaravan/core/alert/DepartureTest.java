package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.alert.Departure.Verdict;
import vividcaravan.core.axles.Position;
import vividcaravan.core.words.Language;

/** The gate lets nobody leave on hope or on old data. Which states say what: handbook of the trade, common practice. */
class DepartureTest {

    private static final Position WHEEL = Position.parse("2LO");

    /** A departure of a vehicle against which only these alerts speak. */
    static Departure of(Alert... open) {
        return Departure.of(facts(List.of(open), List.of()));
    }

    static Departure.Facts facts(List<Alert> open, List<Departure.Unwatched> unwatched) {
        return new Departure.Facts(open, unwatched, List.of(), List.of(), List.of(), Set.of());
    }

    private static Alert alert(AlertKind kind, Urgency urgency, boolean isRunSoft) {
        return Alert.open(1, AlertTest.found(kind, urgency, 1_000, isRunSoft));
    }

    @Test
    void nothingSpeaksAgainstAVehicleThatIsWell() {
        assertThat(of()).isEqualTo(new Departure(Verdict.MAY_LEAVE, List.of()));
    }

    @ParameterizedTest
    @CsvSource({"STOP_NOW, NOT_YET", "NEXT_STOP, NOT_YET", "BEFORE_NEXT_TRIP, NOT_YET", "PLAN, MAY_LEAVE"})
    void whatIsDueBeforeTheNextTripHoldsItBack(Urgency urgency, Verdict verdict) {
        assertThat(of(alert(AlertKind.UNDER_PRESSURE, urgency, false)).verdict())
                .isEqualTo(verdict);
    }

    @ParameterizedTest
    @EnumSource(
            value = AlertKind.class,
            names = {"SLOW_LEAK", "TWIN_MISMATCH", "OVER_PRESSURE", "FAST_LEAK", "UNDER_PRESSURE"})
    void aTyreRunSoftHoldsItBackWhateverTheAlertIsAboutAndWhateverItReadsNow(AlertKind kind) {
        Departure soft = new Departure(Verdict.NOT_YET, List.of("2LO run soft: inspection off the vehicle"));

        assertThat(of(alert(kind, Urgency.NEXT_STOP, true))).isEqualTo(soft);
        assertThat(of(alert(kind, Urgency.STOP_NOW, true).judged().recovered(2_000)))
                .isEqualTo(soft);
    }

    @ParameterizedTest
    @EnumSource(
            value = AlertKind.class,
            names = {"SLOW_LEAK", "FAST_LEAK"})
    void aLeakThatWasToppedUpHoldsItBackUntilItIsProvenOrSomebodyRepairedIt(AlertKind kind) {
        Alert toppedUp = alert(kind, Urgency.STOP_NOW, false).judged().recovered(2_000);
        Alert repaired = alert(kind, Urgency.STOP_NOW, false)
                .by("quill", 1_500)
                .withJob("find it")
                .judged()
                .recovered(2_000)
                .by("quill", 2_500)
                .jobEnded("nail out, plugged");

        assertThat(of(toppedUp).verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(of(toppedUp).reasons().get(0)).contains("not proven repaired");
        assertThat(of(repaired).verdict()).isEqualTo(Verdict.LOOK_FIRST);
    }

    @Test
    void anOldRepairSaysNothingOfALeakThatCameBack() {
        Alert again = alert(AlertKind.SLOW_LEAK, Urgency.NEXT_STOP, false)
                .by("quill", 1_500)
                .withJob("find it")
                .by("quill", 1_600)
                .jobEnded("valve core changed")
                .judged()
                .recovered(2_000)
                .judged()
                .raised(AlertTest.found(AlertKind.SLOW_LEAK, Urgency.NEXT_STOP, 3_000, false))
                .judged()
                .recovered(4_000);

        assertThat(of(again).verdict()).isEqualTo(Verdict.NOT_YET);
    }

    @Test
    void whatIsBackInBandWaitsForItsProofAndIsCheckedByHand() {
        Alert back = alert(AlertKind.OVER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false)
                .judged()
                .recovered(2_000);

        assertThat(of(back).verdict()).isEqualTo(Verdict.LOOK_FIRST);
        assertThat(of(back).reasons()).containsExactly("2LO over target, back in band, waits for its proof");
        assertThat(Departure.of(new Departure.Facts(
                                List.of(back), List.of(), List.of(), List.of(), List.of(), Set.of(WHEEL)))
                        .verdict())
                .as("by a hand gauge of today")
                .isEqualTo(Verdict.MAY_LEAVE);
    }

    @Test
    void whatWasDeferredHoldsItBackAllTheSame() {
        Alert aside = alert(AlertKind.OVER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false)
                .by("marrable", 2_000)
                .shelved("workshop tonight", 9_000);

        assertThat(of(aside)).isEqualTo(new Departure(Verdict.NOT_YET, List.of("2LO over target, deferred")));
    }

    @ParameterizedTest
    @CsvSource({
        "SENSOR_SILENT, NEXT_STOP, NOT_YET",
        "SENSOR_SILENT, BEFORE_NEXT_TRIP, LOOK_FIRST",
        "SENSOR_SILENT, PLAN, LOOK_FIRST",
        "SENSOR_FAULT, BEFORE_NEXT_TRIP, LOOK_FIRST",
        "SENSOR_FAULT, PLAN, LOOK_FIRST",
        "SENSOR_BATTERY, PLAN, LOOK_FIRST",
        "RECEIVER_SILENT, PLAN, LOOK_FIRST",
        "SENSORS_CROSSED, BEFORE_NEXT_TRIP, NOT_YET",
        "WEATHER_LOW, BEFORE_NEXT_TRIP, NOT_YET",
        "WEATHER_LOW, PLAN, MAY_LEAVE",
        "REPORTED_FAULT, BEFORE_NEXT_TRIP, NOT_YET",
        "REPORTED_FAULT, PLAN, MAY_LEAVE"
    })
    void aSilenceAfterALossStopsItAndWhatOnlyItsSensorLacksIsCheckedByHand(
            AlertKind kind, Urgency urgency, Verdict verdict) {
        assertThat(of(alert(kind, urgency, false)).verdict()).isEqualTo(verdict);
    }

    @Test
    void aSpareNeverHoldsAVehicle() {
        Alert spare = Alert.open(
                1, new Sight(Position.parse("S1"), Urgency.STOP_NOW, "tansley", "flat or sagging", true, false), 1_000);

        assertThat(of(spare).verdict()).isEqualTo(Verdict.MAY_LEAVE);
    }

    @Test
    void aWheelThatNobodyWatchesIsCheckedUnlessSomebodyHeldAGaugeToday() {
        List<Departure.Unwatched> unwatched = List.of(new Departure.Unwatched(WHEEL, Departure.Blind.NO_SENSOR));

        assertThat(Departure.of(facts(List.of(), unwatched)))
                .isEqualTo(new Departure(Verdict.LOOK_FIRST, List.of("2LO has no sensor")));
        assertThat(Departure.of(new Departure.Facts(
                                List.of(), unwatched, List.of(), List.of(), List.of(), Set.of(WHEEL)))
                        .verdict())
                .isEqualTo(Verdict.MAY_LEAVE);
    }

    @ParameterizedTest
    @CsvSource({"23, false, MAY_LEAVE", "25, false, LOOK_FIRST", "240, false, LOOK_FIRST", "1, true, LOOK_FIRST"})
    void oldValuesLetNobodyLeave(long hours, boolean hasMovedSince, Verdict verdict) {
        Departure departure = Departure.of(new Departure.Facts(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(
                        new Departure.Heard(WHEEL, Duration.ofHours(hours).toMillis(), hasMovedSince),
                        new Departure.Heard(Position.parse("1L"), 60_000, false)),
                Set.of()));

        assertThat(departure.verdict()).isEqualTo(verdict);
        assertThat(departure.restsOnAgeS()).isEqualTo(hours * 3_600);
    }

    /** A yard does not wait every Monday: who walked round it today saw what a walk sees; a pressure it does not. */
    @ParameterizedTest
    @CsvSource({"NO_SENSOR, MAY_LEAVE", "SILENT, LOOK_FIRST", "FAULT, LOOK_FIRST", "NEVER_HEARD, LOOK_FIRST"})
    void aWalkOfTodayTakesThePlaceOfWhatItSees(Departure.Blind why, Verdict verdict) {
        Departure.Facts walked = new Departure.Facts(
                List.of(alert(AlertKind.SENSOR_BATTERY, Urgency.PLAN, false)),
                List.of(new Departure.Unwatched(WHEEL, why)),
                List.of(),
                List.of(),
                List.of(new Departure.Heard(Position.parse("1L"), 3 * Departure.OLD_MILLIS, false)),
                Set.of(),
                true,
                List.of(),
                null);

        assertThat(Departure.of(walked).verdict()).isEqualTo(verdict);
    }

    @Test
    void aWalkProvesNothingThatIsBackInBandAndTightensNoNuts() {
        Alert back =
                alert(AlertKind.HOT_WHEEL_END, Urgency.STOP_NOW, false).judged().recovered(2_000);
        Departure.Facts walked = new Departure.Facts(
                List.of(back),
                List.of(),
                List.of(),
                List.of(new Departure.Loose(WHEEL, false)),
                List.of(),
                Set.of(),
                true,
                List.of(),
                null);

        assertThat(Departure.of(walked).reasons())
                .containsExactly("2LO hot wheel end, back in band, waits for its proof", "retorque wheel nuts: 2LO");
    }

    @Test
    void aTreadBelowTheLeastHoldsItBackAndIsSaidInBothLanguages() {
        Departure.Facts worn = worn(List.of());

        assertThat(Departure.of(worn).verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(Departure.of(worn).reasons()).containsExactly("2LO tread 3.17 mm, minimum 3.18 mm");
        assertThat(Departure.of(worn, Language.DE).reasons()).containsExactly("2LO Profil 3,17 mm, Mindestmaß 3,18 mm");
    }

    @Test
    void aWornTyreThatIsOffTheRoadIsNamedByItsOutage() {
        Departure.Facts lifted = worn(List.of(new Outage(1, 2, null, "lifted", 9_000_000, "marrable")));

        assertThat(Departure.of(lifted).reasons()).containsExactly("axle 2 out of service: lifted");
    }

    private static Departure.Facts worn(List<Outage> outages) {
        return new Departure.Facts(
                List.of(),
                List.of(),
                outages,
                List.of(),
                List.of(),
                Set.of(WHEEL),
                true,
                List.of(new Departure.Worn(WHEEL, 3.17, 3.18)),
                null);
    }

    /** Until its past is judged again no verdict is milder than before the act, whatever was walked or gauged. */
    @ParameterizedTest
    @CsvSource({"false, LOOK_FIRST", "true, NOT_YET"})
    void whatIsStillToBeJudgedIsNeverMilderThanBefore(boolean wasHeld, Verdict verdict) {
        Departure owed = Departure.of(new Departure.Facts(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Set.of(WHEEL),
                true,
                List.of(),
                new Departure.Owed(wasHeld)));

        assertThat(owed.verdict()).isEqualTo(verdict);
        assertThat(owed.reasons()).containsExactly("its past is being judged again");
    }

    @Test
    void aGaugeAtEachWheelTakesThePlaceOfItsReceiver() {
        Alert silent = Alert.open(
                1,
                new Finding.Raised(
                        null,
                        AlertKind.RECEIVER_SILENT,
                        Urgency.PLAN,
                        AlertTest.found(AlertKind.SLOW_LEAK, Urgency.PLAN, 1_000, false)
                                .evidence()));
        List<Departure.Heard> heard = List.of(new Departure.Heard(WHEEL, 0, false));

        assertThat(Departure.of(new Departure.Facts(List.of(silent), List.of(), List.of(), List.of(), heard, Set.of()))
                        .verdict())
                .isEqualTo(Verdict.LOOK_FIRST);
        assertThat(Departure.of(new Departure.Facts(
                                List.of(silent), List.of(), List.of(), List.of(), heard, Set.of(WHEEL)))
                        .verdict())
                .isEqualTo(Verdict.MAY_LEAVE);
    }

    private static Departure ofHeard(List<Outage> outages, Departure.Heard... heard) {
        return Departure.of(new Departure.Facts(List.of(), List.of(), outages, List.of(), List.of(heard), Set.of()));
    }

    private static Departure.Heard heard(String wheel, long hours, boolean hasMovedSince) {
        return new Departure.Heard(
                Position.parse(wheel), Duration.ofHours(hours).toMillis(), hasMovedSince);
    }

    @Test
    void oldValuesAreNamedByWheelAndByTheOldest() {
        assertThat(ofHeard(List.of(), heard("2LO", 30, false), heard("2LI", 40, false), heard("1L", 1, false))
                        .reasons())
                .containsExactly("no value since 40 h ago: 2LI, 2LO");
        assertThat(ofHeard(List.of(), heard("2LO", 48, false), heard("1L", 73, true))
                        .reasons())
                .containsExactly("no value since 3 days ago: all wheels");
        assertThat(ofHeard(List.of(), heard("2LO", 2, true), heard("1L", 0, false))
                        .reasons())
                .containsExactly("no value since it moved: 2LO");
        Outage out = new Outage(1, null, WHEEL, "waits for a part", 9_000_000, "marrable");
        assertThat(ofHeard(List.of(out), heard("2LO", 50, false), heard("1L", 0, false))
                        .reasons())
                .as("what is out of service is named as that")
                .containsExactly("2LO out of service: waits for a part");
    }

    @Test
    void theMostSeriousReasonStandsFirstAndTheVerdictHasItsWords() {
        Departure departure = Departure.of(new Departure.Facts(
                List.of(),
                List.of(new Departure.Unwatched(Position.parse("1L"), Departure.Blind.SILENT)),
                List.of(),
                List.of(new Departure.Loose(WHEEL, false), new Departure.Loose(Position.parse("1R"), true)),
                List.of(),
                Set.of()));

        assertThat(departure.reasons())
                .containsExactly("wheel nuts overdue, retorque: 1R", "retorque wheel nuts: 2LO", "1L is silent");
        assertThat(departure.words(Language.EN)).isEqualTo("Must not leave");
        assertThat(departure.words(Language.DE)).isEqualTo("Darf nicht abfahren");
        Departure moved =
                Departure.outOfService(Optional.of("sold"), Language.EN).movedWhileOut(departure, Language.EN);
        assertThat(moved.verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(moved.reasons())
                .startsWith("out of service: sold", "it has moved since it was taken out of service")
                .hasSize(5);
    }

    @Test
    void aCombinationRestsOnItsOldestValue() {
        Departure front = ofHeard(List.of(), heard("1L", 1, false));
        Departure behind = ofHeard(List.of(), heard("1L", 5, false));
        Departure unheard =
                Departure.of(facts(List.of(), List.of(new Departure.Unwatched(WHEEL, Departure.Blind.NEVER_HEARD))));

        assertThat(front.pulling("ST-1", behind).restsOnAgeS()).isEqualTo(5 * 3_600);
        assertThat(behind.pulling("ST-1", front).restsOnAgeS()).isEqualTo(5 * 3_600);
        assertThat(front.pulling("ST-1", unheard).restsOnAgeS()).isNull();
        assertThat(unheard.pulling("ST-1", front).restsOnAgeS()).isNull();
        assertThat(unheard.pulling("ST-1", front).verdict()).isEqualTo(Verdict.LOOK_FIRST);
    }

    @Test
    void whereAWheelWasNeverHeardItRestsOnNoAge() {
        Departure departure = Departure.of(new Departure.Facts(
                List.of(),
                List.of(new Departure.Unwatched(WHEEL, Departure.Blind.NEVER_HEARD)),
                List.of(),
                List.of(),
                List.of(new Departure.Heard(Position.parse("1L"), 60_000, false)),
                Set.of()));

        assertThat(departure.restsOnAgeS()).isNull();
    }

    @Test
    void looseNutsAreCheckedAndOverdueOnesHoldItBack() {
        Departure due = Departure.of(new Departure.Facts(
                List.of(), List.of(), List.of(), List.of(new Departure.Loose(WHEEL, false)), List.of(), Set.of()));
        Departure overdue = Departure.of(new Departure.Facts(
                List.of(),
                List.of(),
                List.of(),
                List.of(new Departure.Loose(WHEEL, true), new Departure.Loose(Position.parse("1L"), false)),
                List.of(),
                Set.of()));

        assertThat(due).isEqualTo(new Departure(Verdict.LOOK_FIRST, List.of("retorque wheel nuts: 2LO")));
        assertThat(overdue.verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(overdue.reasons()).containsExactly("wheel nuts overdue, retorque: 2LO", "retorque wheel nuts: 1L");
    }

    /** Whatever else is open beside it: what must stop is never hidden by what may wait, in whichever order it stands. */
    @Property(seed = "20261201", tries = 300)
    void nothingBesideItMakesAVerdictMilder(@ForAll AlertKind kind, @ForAll Urgency urgency, @ForAll boolean isFirst) {
        Alert one = alert(kind, urgency, false);
        Alert other = Alert.open(2, new Sight(WHEEL, Urgency.BEFORE_NEXT_TRIP, "tansley", "tread low"), 1_000);
        Departure alone = of(one);
        Departure beside = isFirst ? of(one, other) : of(other, one);

        assertThat(beside.verdict()).isGreaterThanOrEqualTo(alone.verdict());
        assertThat(beside.reasons()).containsAll(alone.reasons());
        assertThat(Arrays.asList(Verdict.values())).contains(beside.verdict());
    }

    @Test
    void aVehicleThatIsNotInServiceSaysWhy() {
        assertThat(Departure.outOfService(Optional.of("at the body shop"), Language.EN))
                .isEqualTo(new Departure(Verdict.NOT_YET, List.of("out of service: at the body shop")));
        assertThat(Departure.outOfService(Optional.empty(), Language.EN).reasons())
                .containsExactly("out of service: no reason given");
        assertThat(Departure.unproven(Language.EN))
                .isEqualTo(new Departure(Verdict.LOOK_FIRST, List.of("sensor positions not verified")));
    }

    @Test
    void whatHangsBehindSpeaksToo() {
        Departure behind = of(alert(AlertKind.FAST_LEAK, Urgency.STOP_NOW, false));

        Departure both = of().pulling("ST-1", behind);

        assertThat(both.verdict()).isEqualTo(Verdict.NOT_YET);
        assertThat(both.reasons()).containsExactly("ST-1: 2LO going flat");
    }
}
