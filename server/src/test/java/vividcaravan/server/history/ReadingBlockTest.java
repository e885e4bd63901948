package vividcaravan.server.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import vividcaravan.core.judge.Reading;

class ReadingBlockTest {

    private final ReadingBlock block = new ReadingBlock(List.of());

    @Test
    void keepsEachTimeOnceAndInOrderHoweverReadingsArrive() {
        List<ReadingCodec.Entry> sent = entries(1, 200);
        List<ReadingCodec.Entry> shuffled = new ArrayList<>(sent);
        shuffled.addAll(entries(50, 100));
        Collections.shuffle(shuffled, new Random(7));

        int added = 0;
        for (int from = 0; from < shuffled.size(); from += 25) {
            added += block.merge(shuffled.subList(from, Math.min(from + 25, shuffled.size())));
        }

        assertThat(added).isEqualTo(200);
        assertThat(block.entries()).isEqualTo(sent);
    }

    @Test
    void theFirstReadingOfATimeStays() {
        assertThat(block.add(reading(1, 800), false)).isTrue();
        assertThat(block.add(reading(3, 800), false)).isTrue();

        assertThat(block.add(reading(1, 700), false)).isFalse();
        assertThat(block.add(reading(3, 700), false)).isFalse();

        assertThat(block.entries())
                .extracting(entry -> entry.reading().pressureKpa())
                .containsExactly(800.0, 800.0);
    }

    @Test
    void whatIsStoredIsDirtyAgainOnlyWithANewReading() {
        block.merge(entries(1, 10));
        assertThat(block.isDirty()).isTrue();
        assertThat(ReadingCodec.read(block.takeBytes())).isEqualTo(entries(1, 10));
        assertThat(block.isDirty()).isFalse();

        block.merge(entries(3, 10));
        assertThat(block.isDirty()).isFalse();

        block.merge(entries(0, 1));
        assertThat(block.isDirty()).isTrue();
    }

    private static List<ReadingCodec.Entry> entries(long first, long last) {
        return LongStream.rangeClosed(first, last)
                .mapToObj(at -> new ReadingCodec.Entry(0, reading(at, 800), false))
                .toList();
    }

    private static Reading reading(long at, double kpa) {
        return new Reading(at, kpa, 20.0, null, null, null);
    }
}
