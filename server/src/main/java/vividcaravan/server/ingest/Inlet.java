package vividcaravan.server.ingest;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import org.springframework.stereotype.Component;
import vividcaravan.server.writer.SingleWriter;

/** Where readings come in, by whichever way: answered once they are on disk and judged. HTTP is the first of the ways. */
@Component
class Inlet {

    private final JudgingLine line;
    private final SingleWriter writer;
    private final IngestFigures figures;

    Inlet(JudgingLine line, SingleWriter writer, IngestFigures figures) {
        this.line = line;
        this.writer = writer;
        this.figures = figures;
    }

    /**
     * Readings that come in together.
     *
     * @param goesOn whether a part of what they belong to was taken already, so that these wait for their turn instead of
     *     being refused
     */
    record Batch(List<IncomingReading> readings, boolean goesOn) {

        private long newestAt() {
            return readings.stream()
                    .mapToLong(incoming -> incoming.reading().at())
                    .max()
                    .orElse(Long.MIN_VALUE);
        }
    }

    /**
     * Takes readings in.
     *
     * @return what became of them; a {@link vividcaravan.server.platform.Refusal} if they cannot be taken now
     */
    CompletionStage<Tally> accept(Batch batch, Receiver receiver) {
        CompletableFuture<Tally> taken = batch.goesOn()
                ? writer.submitWhenPossible(line.take(batch.readings()))
                : writer.submit(line.take(batch.readings()));
        return taken.thenApply(tally -> {
            figures.took(tally, batch.newestAt(), receiver);
            return tally;
        });
    }
}
