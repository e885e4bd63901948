package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;

/** Where tyres were: nothing is in two places. */
class TyreTimelineTest {

    private static final TyrePlace.AtWheel LEFT = TyrePlace.wheel(1, Position.parse("1L"));
    private static final TyrePlace.AtWheel RIGHT = TyrePlace.wheel(1, Position.parse("1R"));
    private static final TyrePlace STORE = new TyrePlace.Away(TyrePlace.Kind.STORE, null);

    private static TyreStay stay(long tyre, TyrePlace place, Long sensor, long from, long to) {
        return new TyreStay(tyre, place, sensor, from, to);
    }

    @Test
    void twoTyresAtOneWheelOneTyreAtTwoAndOneSensorInTwoAreRefused() {
        TyreStay one = stay(1, LEFT, null, 0, 100);
        TyreStay inside = stay(4, STORE, 9L, 0, 100);

        assertThatThrownBy(() -> TyreTimeline.of(List.of(one, stay(2, LEFT, null, 99, 200))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> TyreTimeline.of(List.of(one, stay(1, RIGHT, null, 99, 200))))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> TyreTimeline.of(List.of(stay(2, STORE, 9L, 50, 60), inside)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(TyreTimeline.of(List.of(one, inside, stay(2, LEFT, null, 100, 200), stay(3, STORE, null, 0, 100)))
                        .stays())
                .as("one after the other, and many in a store")
                .hasSize(4);
    }

    @Test
    void whatIsLiftedEndsThereAndWhatWasBeforeStays() {
        TyreTimeline timeline = TyreTimeline.of(
                List.of(stay(1, LEFT, null, 0, 50), stay(1, RIGHT, null, 50, 100), stay(2, LEFT, null, 50, 100)));

        assertThat(timeline.lifted(1, 70).stays())
                .containsExactlyInAnyOrder(
                        stay(1, LEFT, null, 0, 50), stay(1, RIGHT, null, 50, 70), stay(2, LEFT, null, 50, 100));
        assertThat(timeline.lifted(1, 50).stays())
                .containsExactlyInAnyOrder(stay(1, LEFT, null, 0, 50), stay(2, LEFT, null, 50, 100));
    }

    @Test
    void aTyreIsPutOnlyWhereNothingIs() {
        TyreTimeline timeline = TyreTimeline.of(List.of(stay(1, LEFT, null, 0, 50)));

        assertThat(timeline.put(2, LEFT, null, 50).at(LEFT, 60).orElseThrow().tyre())
                .isEqualTo(2);
        assertThatThrownBy(() -> timeline.put(2, LEFT, null, 49))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("overlap");
    }

    @Test
    void aChangeCountsFromItsMomentAndWhatWasAlwaysThereIsNone() {
        TyreTimeline timeline = TyreTimeline.of(
                List.of(stay(1, LEFT, null, TyreStay.ALWAYS, 50), stay(2, LEFT, null, 50, TyreStay.OPEN)));

        assertThat(timeline.isChangedFrom(50, stay -> stay.tyre() == 2)).isTrue();
        assertThat(timeline.isChangedFrom(51, stay -> stay.tyre() == 2)).isFalse();
        assertThat(timeline.isChangedFrom(TyreStay.ALWAYS, stay -> stay.tyre() == 1))
                .isFalse();
        assertThat(timeline.isChangedFrom(0, stay -> stay.tyre() == 3)).isFalse();
    }

    @Test
    void staysThatTouchAtTheMomentAreOneAgainAndNoOthers() {
        TyreTimeline timeline = TyreTimeline.of(
                List.of(stay(1, LEFT, null, 0, 50), stay(1, LEFT, null, 50, 80), stay(1, LEFT, null, 80, 90)));

        assertThat(timeline.rejoined(50).stays())
                .containsExactlyInAnyOrder(stay(1, LEFT, null, 0, 80), stay(1, LEFT, null, 80, 90));
        assertThat(timeline.rejoined(60).stays()).hasSize(3);
    }
}
