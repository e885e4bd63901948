package vividcaravan.server.history;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Lets single readings go once they are past the retention, and tells the logbook before they are gone. */
@Component
class EndOfRetention implements Ticking {

    private final SingleWriter writer;
    private final HistoryKeeper keeper;

    EndOfRetention(SingleWriter writer, HistoryKeeper keeper) {
        this.writer = writer;
        this.keeper = keeper;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("end-of-retention", Duration.ofSeconds(5), Duration.ofSeconds(5), this::letGo));
    }

    private void letGo() {
        if (!keeper.hasOld()) {
            return;
        }
        writer.make(Author.SCHEDULE, view -> {
            if (!keeper.hasOld()) {
                return Decision.nothing(null);
            }
            return Decision.make(pen -> {
                String until = Instant.ofEpochMilli(keeper.letGo()).toString();
                return Done.by(Deed.of(
                        DeedKind.READINGS_LET_GO,
                        new Thing(Thing.Kind.SETTING, "retention", "retention"),
                        "let single readings from before " + until.substring(0, 10)
                                + " go by whole weeks; their summaries stay"));
            });
        });
    }
}
