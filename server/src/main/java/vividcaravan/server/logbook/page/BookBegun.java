package vividcaravan.server.logbook.page;

import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/** The first entry says since when there is a book, before anybody can do anything. */
@Component
class BookBegun implements SmartLifecycle {

    private final Logbook book;
    private final SingleWriter writer;
    private volatile boolean isRunning;

    BookBegun(Logbook book, SingleWriter writer) {
        this.book = book;
        this.writer = writer;
    }

    @Override
    public void start() {
        isRunning = true;
        writer.make(
                Author.SCHEDULE,
                view -> book.isBegun()
                        ? Decision.nothing(null)
                        : Decision.make(pen -> Done.by(Deed.of(
                                DeedKind.BOOK_BEGUN,
                                new Thing(Thing.Kind.LOGBOOK, "logbook", "logbook"),
                                "began this logbook; what was done before is not in it"))));
    }

    @Override
    public void stop() {
        isRunning = false;
    }

    @Override
    public boolean isRunning() {
        return isRunning;
    }

    @Override
    public int getPhase() {
        return Followers.PHASE - 50;
    }
}
