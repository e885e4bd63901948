package vividcaravan.server.logbook;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
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

    /** How often each kind of deed was done from {@code from} inclusive to {@code to} exclusive, epoch milliseconds. */
    public Map<DeedKind, Long> counts(long from, long to) {
        Map<DeedKind, Long> counts = new EnumMap<>(DeedKind.class);
        try (StatelessSession session = sessions.openStatelessSession()) {
            session.createSelectionQuery(
                            "select kind, count(*) from LogbookRow where at >= :from and at < :to group by kind",
                            Object[].class)
                    .setParameter("from", from)
                    .setParameter("to", to)
                    .getResultList()
                    .forEach(row -> counts.put((DeedKind) row[0], (Long) row[1]));
        }
        return counts;
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
