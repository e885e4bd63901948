package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.FittingTimeline;

class TyrePlacingTest {

    private static final long TRUCK = 7;
    private static final long TRAILER = 8;
    private static final TyrePlace.AtWheel LEFT = TyrePlace.wheel(TRUCK, Position.parse("1L"));
    private static final TyrePlace.AtWheel RIGHT = TyrePlace.wheel(TRUCK, Position.parse("1R"));
    private static final TyrePlace.AtWheel SPARE = TyrePlace.wheel(TRUCK, Position.parse("S1"));
    private static final TyrePlace STORE = new TyrePlace.Away(TyrePlace.Kind.STORE, "High Tarn");
    private static final TyrePlace SCRAP = new TyrePlace.Away(TyrePlace.Kind.SCRAPPED, null);

    /** Tyre 1 left with sensor 11, tyre 2 right with sensor 12, both since nobody knows when. */
    private static final TyrePlacing PAIR = new TyrePlacing(
            TyreTimeline.of(List.of(
                    new TyreStay(1, LEFT, null, TyreStay.ALWAYS, TyreStay.OPEN),
                    new TyreStay(2, RIGHT, null, TyreStay.ALWAYS, TyreStay.OPEN))),
            FittingTimeline.EMPTY.fit(11, TRUCK, LEFT.position(), 50).fit(12, TRUCK, RIGHT.position(), 50));

    private static WheelMove move(long tyre, TyrePlace to, SensorFate fate) {
        return new WheelMove(tyre, to, fate);
    }

    private static List<WheelMove> sideToSide(SensorFate fate) {
        return List.of(move(1, RIGHT, fate), move(2, LEFT, fate));
    }

    @Test
    void sensorsInsideTravelWithTheirTyres() {
        TyrePlacing after = PAIR.moved(sideToSide(SensorFate.TRAVELS), 100).after();

        assertThat(after.tyres().at(LEFT, 100)).map(TyreStay::tyre).contains(2L);
        assertThat(after.sensorAt(LEFT, 100)).map(Fitting::sensor).contains(12L);
        assertThat(after.tyres().at(LEFT, 99)).map(TyreStay::tyre).contains(1L);
        assertThat(after.sensorAt(LEFT, 99)).map(Fitting::sensor).contains(11L);
    }

    @Test
    void capsStayAtTheirWheelsAndBeginAnewThereWithAnotherTyre() {
        TyrePlacing after = PAIR.moved(sideToSide(SensorFate.STAYS), 100).after();

        assertThat(after.tyres().at(LEFT, 100)).map(TyreStay::tyre).contains(2L);
        assertThat(after.sensors().staysAt(TRUCK, LEFT.position(), 0, 200))
                .containsExactly(
                        new Fitting(11, TRUCK, LEFT.position(), 50, 100),
                        new Fitting(11, TRUCK, LEFT.position(), 100, Fitting.OPEN));
    }

    @Test
    void aTyreInStoreKeepsTheSensorInsideAndBringsItBack() {
        TyrePlacing stored =
                PAIR.moved(List.of(move(1, STORE, SensorFate.TRAVELS)), 100).after();

        assertThat(stored.tyres().of(1, 150)).contains(new TyreStay(1, STORE, 11L, 100, TyreStay.OPEN));
        assertThat(stored.sensors().ofSensor(11, 150)).isEmpty();

        TyrePlacing back =
                stored.moved(List.of(move(1, SPARE, SensorFate.TRAVELS)), 200).after();

        assertThat(back.sensorAt(SPARE, 200)).map(Fitting::sensor).contains(11L);
    }

    @Test
    void theSensorOfAnOldTyreCanGoIntoTheNewOneAtItsWheel() {
        TyrePlacing withNew = new TyrePlacing(
                TyreTimeline.of(append(PAIR.tyres().stays(), new TyreStay(3, STORE, null, 60, TyreStay.OPEN))),
                PAIR.sensors());

        TyrePlacing after = withNew.moved(
                        List.of(move(1, SCRAP, SensorFate.STAYS), move(3, LEFT, SensorFate.TRAVELS)), 100)
                .after();

        assertThat(after.tyres().at(LEFT, 100)).map(TyreStay::tyre).contains(3L);
        assertThat(after.sensorAt(LEFT, 100)).map(Fitting::sensor).contains(11L);
    }

    private static List<TyreStay> append(List<TyreStay> stays, TyreStay one) {
        List<TyreStay> all = new ArrayList<>(stays);
        all.add(one);
        return all;
    }

    @Test
    void refusesWhatIsNoPermutation() {
        assertThat(PAIR.faults(List.of(move(1, RIGHT, SensorFate.TRAVELS)), 100))
                .extracting(MoveFault::message)
                .containsExactly("1R has a tyre; say where that goes.");
        assertThat(PAIR.faults(List.of(move(1, SPARE, SensorFate.TRAVELS), move(2, SPARE, SensorFate.TRAVELS)), 100))
                .extracting(MoveFault::move)
                .containsExactly(1);
        assertThat(PAIR.faults(List.of(move(1, SPARE, SensorFate.OFF), move(1, STORE, SensorFate.OFF)), 100))
                .extracting(MoveFault::message)
                .containsExactly("This tyre is moved twice; say where it goes once.");
        assertThat(PAIR.faults(List.of(move(9, SPARE, SensorFate.TRAVELS)), 100))
                .hasSize(1);
        assertThatThrownBy(() -> PAIR.moved(List.of(move(1, RIGHT, SensorFate.TRAVELS)), 100))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** For its brake, its bearing, or to be looked at: the same tyre and sensor, at the same wheel. */
    @Test
    void aWheelThatIsOffAndOnChangesNothing() {
        TyrePlacing.Outcome outcome = PAIR.moved(List.of(move(1, LEFT, SensorFate.OFF)), 100);

        assertThat(outcome.after()).isEqualTo(PAIR);
        assertThat(outcome.made()).singleElement().matches(TyrePlacing.Made::isOffAndOn);
        assertThat(PAIR.faultsOfUndoing(outcome.made(), 100)).isEmpty();
        TyrePlacing undone = PAIR.undone(outcome.made(), 100);
        assertThat(undone.tyres().stays()).isEqualTo(PAIR.tyres().stays());
        assertThat(undone.sensors().fittings()).isEqualTo(PAIR.sensors().fittings());
        assertThat(PAIR.faults(List.of(move(1, LEFT, SensorFate.TRAVELS), move(2, LEFT, SensorFate.OFF)), 100))
                .as("and no other comes there")
                .isNotEmpty();
    }

    @Test
    void refusesTwoSensorsAtAWheelAndOneWhereNoTyreIs() {
        assertThat(PAIR.faults(List.of(move(1, RIGHT, SensorFate.TRAVELS), move(2, LEFT, SensorFate.STAYS)), 100))
                .extracting(MoveFault::message)
                .containsExactly("1R would have two sensors. Say which of them is taken off.");
        assertThat(PAIR.faults(List.of(move(1, STORE, SensorFate.STAYS)), 100)).hasSize(1);
        assertThat(PAIR.faults(List.of(move(1, SCRAP, SensorFate.TRAVELS)), 100))
                .extracting(MoveFault::message)
                .containsExactly(
                        "A sensor must not be left in a scrapped tyre. Take it out, or say that it is lost with it.");
    }

    @Test
    void whatIsScrappedNeverComesBack() {
        TyrePlacing scrapped =
                PAIR.moved(List.of(move(1, SCRAP, SensorFate.LOST)), 100).after();

        assertThat(scrapped.faults(List.of(move(1, LEFT, SensorFate.TRAVELS)), 200))
                .hasSize(1);
    }

    @Test
    void aMoveInThePastIsRefusedWhereSomethingWasMovedSince() {
        TyrePlacing later = PAIR.moved(sideToSide(SensorFate.TRAVELS), 200).after();

        assertThat(later.faults(sideToSide(SensorFate.TRAVELS), 150)).hasSize(2);
        assertThat(PAIR.faults(sideToSide(SensorFate.TRAVELS), 50)).hasSize(2);
        assertThat(PAIR.faults(sideToSide(SensorFate.TRAVELS), 51)).isEmpty();
    }

    @Test
    void undoingIsRefusedOnceTheTyreOrItsWheelServesSomethingElse() {
        TyrePlacing.Outcome first = PAIR.moved(List.of(move(1, STORE, SensorFate.TRAVELS)), 100);
        TyrePlacing filled = first.after()
                .moved(List.of(move(2, LEFT, SensorFate.TRAVELS)), 200)
                .after();

        assertThat(first.after().faultsOfUndoing(first.made(), 100)).isEmpty();
        assertThat(filled.faultsOfUndoing(first.made(), 100)).hasSize(1);
    }

    /** Six wheels of two vehicles, four with a sensor, and what chance does to them. */
    private static final List<TyrePlace.AtWheel> WHEELS = List.of(
            LEFT,
            RIGHT,
            SPARE,
            TyrePlace.wheel(TRAILER, Position.parse("1LO")),
            TyrePlace.wheel(TRAILER, Position.parse("1LI")),
            TyrePlace.wheel(TRAILER, Position.parse("1RO")));

    private static TyrePlacing sixWheels() {
        List<TyreStay> stays = new ArrayList<>();
        FittingTimeline sensors = FittingTimeline.EMPTY;
        for (int i = 0; i < WHEELS.size(); i++) {
            stays.add(new TyreStay(i + 1, WHEELS.get(i), null, TyreStay.ALWAYS, TyreStay.OPEN));
            if (i < 4) {
                sensors = sensors.fit(
                        11 + i, WHEELS.get(i).vehicle(), WHEELS.get(i).position(), 1);
            }
        }
        stays.add(new TyreStay(7, STORE, null, 1, TyreStay.OPEN));
        return new TyrePlacing(TyreTimeline.of(stays), sensors);
    }

    private static List<WheelMove> byChance(TyrePlacing placing, long at, Random chance) {
        List<TyreStay> movable = new ArrayList<>(LongStream.rangeClosed(1, 7)
                .boxed()
                .flatMap(tyre -> placing.tyres().of(tyre, at).stream())
                .toList());
        Collections.shuffle(movable, chance);
        List<TyreStay> chosen = movable.subList(0, 1 + chance.nextInt(4));
        List<TyrePlace> targets =
                new ArrayList<>(chosen.stream().map(TyreStay::place).toList());
        if (chance.nextInt(3) == 0) {
            targets.set(0, chance.nextInt(5) == 0 ? SCRAP : WHEELS.get(chance.nextInt(WHEELS.size())));
        }
        Collections.rotate(targets, 1);
        List<WheelMove> moves = new ArrayList<>();
        for (int i = 0; i < chosen.size(); i++) {
            SensorFate fate = chance.nextInt(3) > 0
                    ? SensorFate.TRAVELS
                    : SensorFate.values()[chance.nextInt(SensorFate.values().length)];
            moves.add(move(chosen.get(i).tyre(), targets.get(i), fate));
        }
        return moves;
    }

    private record Step(List<TyrePlacing.Made> made, long at, TyrePlacing before) {}

    /** Each tyre in one place at each time, each wheel with one tyre, each sensor in or on one tyre or none. */
    private static void holdsTogether(TyrePlacing placing) {
        TyreTimeline.of(placing.tyres().stays());
        FittingTimeline.of(placing.sensors().fittings());
        for (TyreStay stay : placing.tyres().stays()) {
            for (Fitting fitting : placing.sensors().fittings()) {
                boolean isBoth = stay.sensor() != null
                        && stay.sensor() == fitting.sensor()
                        && stay.from() < fitting.to()
                        && fitting.from() < stay.to();
                assertThat(isBoth).as(stay + " and " + fitting).isFalse();
            }
        }
        for (long tyre = 1; tyre <= 7; tyre++) {
            long whose = tyre;
            assertThat(placing.tyres().stays().stream()
                            .filter(stay -> stay.tyre() == whose && stay.isOpen())
                            .count())
                    .isEqualTo(1);
        }
        placing.sensors().fittings().stream().filter(Fitting::isOpen).forEach(fitting -> assertThat(
                        placing.tyres().at(TyrePlace.wheel(fitting.vehicle(), fitting.position()), Fitting.OPEN - 1))
                .as("a sensor without a tyre: " + fitting)
                .isPresent());
    }

    @Property(tries = 400, seed = "20261129")
    void whateverIsMovedUndoneAndCorrectedNothingIsInTwoPlaces(@ForAll @IntRange(max = 1_000_000) int seed) {
        Random chance = new Random(seed);
        TyrePlacing placing = sixWheels();
        List<Step> done = new ArrayList<>();
        int made = 0;
        for (long at = 100; at < 2_000; at += 100) {
            if (!done.isEmpty() && chance.nextInt(4) == 0) {
                Step last = done.remove(done.size() - 1);
                placing = placing.undone(last.made(), last.at());
                assertThat(placing.tyres().stays())
                        .containsExactlyInAnyOrderElementsOf(
                                last.before().tyres().stays());
                assertThat(placing.sensors().fittings())
                        .containsExactlyInAnyOrderElementsOf(
                                last.before().sensors().fittings());
                continue;
            }
            List<WheelMove> moves = byChance(placing, at, chance);
            if (!placing.faults(moves, at).isEmpty()) {
                continue;
            }
            TyrePlacing.Outcome outcome = placing.moved(moves, at);
            done.add(new Step(outcome.made(), at, placing));
            placing = outcome.after();
            holdsTogether(placing);
            made++;
        }
        assertThat(made).as("moves that chance made").isPositive();
    }
}
