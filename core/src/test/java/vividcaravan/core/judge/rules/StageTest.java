package vividcaravan.core.judge.rules;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class StageTest {

    private final Stage stage = new Stage();
    private long at;

    private void say(boolean isBeyond, boolean isInside) {
        at += 60_000;
        stage.update(isBeyond, isInside, at, 3);
    }

    @Test
    void isRaisedByEnoughReadingsInARow() {
        say(true, false);
        say(true, false);
        assertThat(stage.isRaised()).isFalse();
        say(true, false);
        assertThat(stage.isRaised()).isTrue();
    }

    @Test
    void anInterruptionBeginsTheCountAgain() {
        say(true, false);
        say(true, false);
        say(false, false);
        say(true, false);
        say(true, false);
        assertThat(stage.isRaised()).isFalse();
    }

    @Test
    void isLetGoOnlyBehindTheDeadband() {
        for (int i = 0; i < 3; i++) {
            say(true, false);
        }
        for (int i = 0; i < 20; i++) {
            say(false, false);
        }
        assertThat(stage.isRaised()).isTrue();

        say(false, true);
        say(false, true);
        assertThat(stage.isRaised()).isTrue();
        say(false, true);
        assertThat(stage.isRaised()).isFalse();
    }
}
