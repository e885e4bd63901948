package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;

class FittingTimelineTest {

    private static final Position LEFT = Position.parse("1L");
    private static final Position RIGHT = Position.parse("1R");
    private static final long TRUCK = 7;

    @Test
    void aSensorSitsInOnePlaceAtATime() {
        FittingTimeline timeline =
                FittingTimeline.EMPTY.fit(1, TRUCK, LEFT, 100).fit(1, TRUCK, RIGHT, 200);

        assertThat(timeline.ofSensor(1, 99)).isEmpty();
        assertThat(timeline.ofSensor(1, 100)).map(Fitting::position).contains(LEFT);
        assertThat(timeline.ofSensor(1, 199)).map(Fitting::position).contains(LEFT);
        assertThat(timeline.ofSensor(1, 200)).map(Fitting::position).contains(RIGHT);
    }

    @Test
    void aWheelHoldsOneSensorAtATime() {
        FittingTimeline timeline =
                FittingTimeline.EMPTY.fit(1, TRUCK, LEFT, 100).fit(2, TRUCK, LEFT, 200);

        assertThat(timeline.staysAt(TRUCK, LEFT, 150, 150))
                .extracting(Fitting::sensor)
                .containsExactly(1L);
        assertThat(timeline.staysAt(TRUCK, LEFT, 250, 250))
                .extracting(Fitting::sensor)
                .containsExactly(2L);
        assertThat(timeline.ofSensor(1, 250)).isEmpty();
    }

    @Test
    void aBackdatedMoveCorrectsWhatWasBelievedSinceAndLeavesWhatWasBefore() {
        FittingTimeline believed = FittingTimeline.EMPTY.fit(1, TRUCK, LEFT, 100);

        FittingTimeline corrected = believed.fit(1, TRUCK, RIGHT, 150);

        assertThat(corrected.ofSensor(1, 120)).map(Fitting::position).contains(LEFT);
        assertThat(corrected.ofSensor(1, 150)).map(Fitting::position).contains(RIGHT);
        assertThat(corrected.staysAt(TRUCK, LEFT, 0, 1_000)).containsExactly(new Fitting(1, TRUCK, LEFT, 100, 150));
    }

    @Test
    void aRemovedSensorKeepsItsHistory() {
        FittingTimeline timeline =
                FittingTimeline.EMPTY.fit(1, TRUCK, LEFT, 100).remove(1, 300);

        assertThat(timeline.ofSensor(1, 299)).isPresent();
        assertThat(timeline.ofSensor(1, 300)).isEmpty();
    }

    @Test
    void refusesStaysThatOverlapOrAreEmpty() {
        assertThatThrownBy(() -> FittingTimeline.of(
                        List.of(new Fitting(1, TRUCK, LEFT, 0, 10), new Fitting(1, TRUCK, RIGHT, 9, 20))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> FittingTimeline.of(
                        List.of(new Fitting(1, TRUCK, LEFT, 0, 10), new Fitting(2, TRUCK, LEFT, 9, 20))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Fitting(1, TRUCK, LEFT, 10, 10)).isInstanceOf(IllegalArgumentException.class);
    }

    record Statement(long sensor, long vehicle, Position position, long from, boolean isRemoval) {}

    @Provide
    Arbitrary<List<Statement>> statements() {
        Arbitrary<Long> sensors = Arbitraries.longs().between(1, 4);
        Arbitrary<Long> vehicles = Arbitraries.longs().between(1, 2);
        Arbitrary<Position> positions = Arbitraries.of(LEFT, RIGHT, Position.spare(1));
        Arbitrary<Long> times = Arbitraries.longs().between(0, 50);
        Arbitrary<Boolean> removals = Arbitraries.frequencyOf(
                net.jqwik.api.Tuple.of(4, Arbitraries.just(false)), net.jqwik.api.Tuple.of(1, Arbitraries.just(true)));
        return Combinators.combine(sensors, vehicles, positions, times, removals)
                .as(Statement::new)
                .list()
                .ofMaxSize(12);
    }

    private static FittingTimeline after(List<Statement> statements) {
        FittingTimeline timeline = FittingTimeline.EMPTY;
        for (Statement s : statements) {
            timeline = s.isRemoval()
                    ? timeline.remove(s.sensor(), s.from())
                    : timeline.fit(s.sensor(), s.vehicle(), s.position(), s.from());
        }
        return timeline;
    }

    @Property(seed = "20261120")
    void whateverIsSaidInWhateverOrderNothingEverSitsTwice(@ForAll("statements") List<Statement> statements) {
        FittingTimeline timeline = after(statements);

        assertThatCode(() -> FittingTimeline.of(timeline.fittings())).doesNotThrowAnyException();
    }

    @Property(seed = "20261120")
    void theLastWordAboutTheFutureHolds(@ForAll("statements") List<Statement> statements) {
        FittingTimeline timeline = after(statements);

        for (int i = 0; i < statements.size(); i++) {
            Statement s = statements.get(i);
            boolean isContradicted = statements.subList(i + 1, statements.size()).stream()
                    .anyMatch(later -> later.sensor() == s.sensor()
                            || later.vehicle() == s.vehicle()
                                    && later.position().equals(s.position()));
            if (!s.isRemoval() && !isContradicted) {
                assertThat(timeline.ofSensor(s.sensor(), 1_000))
                        .contains(new Fitting(s.sensor(), s.vehicle(), s.position(), s.from(), Fitting.OPEN));
            }
        }
    }
}
