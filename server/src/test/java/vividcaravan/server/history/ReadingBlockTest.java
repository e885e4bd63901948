package vividcaravan.server.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import vividcaravan.core.judge.rules.Reading;

class ReadingBlockTest {

    private final ReadingBlock block = new ReadingBlock(List.of());

    @Test
    void keepsEachTimeOnceAndInOrderHoweverReadingsArrive() {
        List<ReadingCodec.Entry> sent = entries(1, 200);
        List<ReadingCodec.Entry> shuffled = new ArrayList<>(sent);
        shuffled.addAll(entries(50, 100));
        Collections.shuffle(shuffled, new Random(7));

        long added = 0;
        for (int from = 0; from < shuffled.size(); from += 25) {
            added += take(shuffled.subList(from, Math.min(from + 25, shuffled.size()))).stream()
                    .filter(taken -> taken == BlockStore.Taken.NEW)
                    .count();
        }

        assertThat(added).isEqualTo(200);
        assertThat(block.entries()).isEqualTo(sent);
    }

    @Test
    void theFirstReadingOfATimeStays() {
        assertThat(take(List.of(entry(1, 800), entry(3, 800))))
                .containsExactly(BlockStore.Taken.NEW, BlockStore.Taken.NEW);

        assertThat(take(List.of(entry(1, 700), entry(3, 700))))
                .containsExactly(BlockStore.Taken.KNOWN, BlockStore.Taken.KNOWN);

        assertThat(block.entries())
                .extracting(entry -> entry.reading().pressureKpa())
                .containsExactly(800.0, 800.0);
    }

    @Test
    void whatIsStoredIsDirtyAgainOnlyWithANewReading() {
        take(entries(1, 10));
        assertThat(block.isDirty()).isTrue();
        assertThat(ReadingCodec.read(block.takeBytes())).isEqualTo(entries(1, 10));
        assertThat(block.isDirty()).isFalse();

        take(entries(3, 10));
        assertThat(block.isDirty()).isFalse();

        take(entries(0, 1));
        assertThat(block.isDirty()).isTrue();
    }

    @Test
    void holdsSoManyAndSaysOfEachFurtherOneThatItIsFull() {
        take(entries(10, BlockStore.MOST_IN_HOUR + 8));

        List<BlockStore.Taken> last = take(List.of(
                entry(1, 800),
                entry(2, 800),
                entry(10, 800),
                entry(BlockStore.MOST_IN_HOUR + 8, 800),
                entry(BlockStore.MOST_IN_HOUR + 9, 800)));

        assertThat(last)
                .containsExactly(
                        BlockStore.Taken.NEW,
                        BlockStore.Taken.FULL,
                        BlockStore.Taken.KNOWN,
                        BlockStore.Taken.KNOWN,
                        BlockStore.Taken.FULL);
        assertThat(block.entries()).hasSize(BlockStore.MOST_IN_HOUR);
    }

    /** The widest steps that readings can take; a row of the database holds 1 MiB. */
    @Test
    void aFullBlockFitsIntoItsRowHoweverItsReadingsJump() {
        List<ReadingCodec.Entry> wild = new ArrayList<>();
        for (int i = 0; i < BlockStore.MOST_IN_HOUR; i++) {
            boolean isHigh = i % 2 == 0;
            wild.add(new ReadingCodec.Entry(
                    0,
                    new Reading(
                            1_700_000_000_000L + i * 90L,
                            isHigh ? 2_000 : -10,
                            isHigh ? 200 : -60,
                            isHigh ? 100_000 : 0,
                            isHigh ? 1_000 : -1_000,
                            isHigh),
                    false));
        }
        take(wild);

        assertThat(block.takeBytes().length).isLessThan(1_048_576);
    }

    private List<BlockStore.Taken> take(List<ReadingCodec.Entry> entries) {
        List<ReadingCodec.Entry> inOrder = new ArrayList<>(entries);
        inOrder.sort(java.util.Comparator.comparingLong(entry -> entry.reading().at()));
        return block.take(inOrder);
    }

    private static ReadingCodec.Entry entry(long at, double kpa) {
        return new ReadingCodec.Entry(0, reading(at, kpa), false);
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
