package vividcaravan.server.logbook;

import java.util.ArrayList;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;

/** Reads the book in its order. */
@Component
public class LogbookReader {

    private final SessionFactory sessions;

    public LogbookReader(SessionFactory sessions) {
        this.sessions = sessions;
    }

    /** The entries after {@code number}, the oldest first, {@code most} at most. */
    public List<LogbookEntry> after(long number, int most) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            List<LogbookRow> rows = session.createSelectionQuery(
                            "from LogbookRow where number >= :number order by number", LogbookRow.class)
                    .setParameter("number", number)
                    .setMaxResults(most + 1)
                    .getResultList();
            List<LogbookEntry> entries = new ArrayList<>(rows.size());
            String previous = Chain.BEGINNING;
            for (LogbookRow row : rows) {
                if (row.number > number) {
                    entries.add(row.entry(previous));
                }
                previous = row.hash();
            }
            return entries.size() > most ? entries.subList(0, most) : entries;
        }
    }
}
