package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class ProgressTest {

    private final Progress progress = new Progress();

    @Test
    void aWorkIsThereWhileItLastsAndSaysHowFarItIs() {
        AtomicLong done = new AtomicLong();

        List<Progress.Stand> meanwhile = progress.during(
                "the backup",
                Progress.Unit.BYTES,
                () -> 7L,
                null,
                () -> progress.during("the document", Progress.Unit.VEHICLES, done::get, 20L, () -> {
                    done.set(5);
                    return progress.underWay();
                }));

        assertThat(meanwhile)
                .containsExactly(
                        new Progress.Stand("the backup", Progress.Unit.BYTES, 7, null),
                        new Progress.Stand("the document", Progress.Unit.VEHICLES, 5, 20L));
        assertThat(progress.underWay()).isEmpty();
    }
}
