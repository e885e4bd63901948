package vividcaravan.server.logbook.page;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Chain;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookProof;

/** Finds entries of the book, the newest first. */
@Component
class LogbookPages {

    /** So many entries are looked at for one page: a fifth of a second on a slow machine. */
    private static final int LOOKED_AT_MOST = 6_000;

    private final SessionFactory sessions;
    private final int lookedAtMost;

    @Autowired
    LogbookPages(SessionFactory sessions) {
        this(sessions, LOOKED_AT_MOST);
    }

    LogbookPages(SessionFactory sessions, int lookedAtMost) {
        this.sessions = sessions;
        this.lookedAtMost = lookedAtMost;
    }

    /**
     * A page of entries.
     *
     * @param next number before which to look on; null if there is nothing more. There may be fewer entries than wanted and
     *     more to look at: nobody waits for one page until a long book is read to its beginning
     */
    record Page(List<LogbookEntry> entries, @Nullable Long next) {}

    /** The newest entries before number {@code before} that fit, {@code most} at most. */
    Page find(LogbookFilter filter, long before, int most) {
        return in(session -> session.doReturningWork(connection -> {
            LogbookLeads leads = new LogbookLeads(connection);
            long low = filter.from() == null ? -1 : leads.lastBefore(filter.from());
            long high = filter.to() == null ? before : Math.min(before, leads.lastBefore(filter.to()) + 1);
            return new LogbookSearch(leads, filter, most, lookedAtMost).between(low, high);
        }));
    }

    /** How the chain stands. */
    LogbookProof proof() {
        return in(session -> session.doReturningWork(LogbookProof::of));
    }

    /** The entries with the hashes of those before them, as they are handed out. */
    List<LogbookEntry> chained(List<LogbookEntry> entries) {
        return in(session -> session.doReturningWork(connection -> {
            List<LogbookEntry> chained = new ArrayList<>(entries.size());
            for (LogbookEntry entry : entries) {
                String previous =
                        LogbookProof.hashOf(connection, entry.number() - 1).orElse(Chain.BEGINNING);
                chained.add(new LogbookEntry(
                        entry.number(), entry.at(), entry.author(), entry.deed(), previous, entry.hash()));
            }
            return chained;
        }));
    }

    private interface Look<T> {
        T at(StatelessSession session) throws SQLException;
    }

    private <T> T in(Look<T> look) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return look.at(session);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }
}
