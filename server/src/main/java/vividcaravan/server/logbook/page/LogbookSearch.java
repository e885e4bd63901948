package vividcaravan.server.logbook.page;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.logbook.Words;

/**
 * One search. Of what is asked for, that which the fewest entries fit leads: its index gives them in their order, and the rest
 * is looked at entry by entry. Where nothing narrows the search but words, the thousands in which they do not occur are left
 * out. However it goes, only so many entries are looked at for one page.
 */
final class LogbookSearch {

    private static final int AT_ONCE = 500;

    private final LogbookLeads leads;
    private final LogbookFilter filter;
    private final int most;
    private final int lookedAtMost;
    private final List<String> words;
    private final List<LogbookEntry> found = new ArrayList<>();
    private LogbookLeads.Way way;
    private int lookedAt;
    private long lookedDownTo;

    LogbookSearch(LogbookLeads leads, LogbookFilter filter, int most, int lookedAtMost) {
        this.leads = leads;
        this.filter = filter;
        this.most = most;
        this.lookedAtMost = lookedAtMost;
        this.words = filter.text() == null ? List.of() : Words.wanted(filter.text());
    }

    /** The newest entries between two numbers, neither of them included. */
    LogbookPages.Page between(long low, long high) throws SQLException {
        way = leads.best(filter);
        lookedDownTo = high;
        boolean isThrough = words.isEmpty() || way.isNarrow()
                ? lookThrough(low, high)
                : lookThrough(low, high, leads.withWords(words, high));
        if (found.size() > most) {
            List<LogbookEntry> page = List.copyOf(found.subList(0, most));
            return new LogbookPages.Page(page, page.get(most - 1).number());
        }
        return new LogbookPages.Page(List.copyOf(found), isThrough ? null : lookedDownTo);
    }

    private boolean lookThrough(long low, long high, List<LogbookLeads.Stretch> stretches) throws SQLException {
        for (LogbookLeads.Stretch stretch : stretches) {
            if (!lookThrough(Math.max(low, stretch.low()), Math.min(high, stretch.high()))) {
                return false;
            }
        }
        return true;
    }

    /** Looks at the entries between two numbers, the newest first; returns whether it came to their end. */
    private boolean lookThrough(long low, long high) throws SQLException {
        long below = high;
        while (below > low + 1) {
            if (found.size() > most || lookedAt >= lookedAtMost) {
                return false;
            }
            List<LogbookEntry> entries = way.between(low, below, lookedAt == 0 ? Math.min(AT_ONCE, most + 1) : AT_ONCE);
            entries.stream().filter(this::fits).forEach(found::add);
            lookedAt += entries.size();
            if (entries.isEmpty()) {
                return true;
            }
            below = entries.get(entries.size() - 1).number();
            lookedDownTo = below;
        }
        return true;
    }

    private boolean fits(LogbookEntry entry) {
        Deed deed = entry.deed();
        return isAt(deed)
                && isBy(entry.author())
                && (filter.kind() == null || filter.kind() == deed.kind())
                && (filter.alert() == null || isAbout(deed.thing(), filter.alert()))
                && (words.isEmpty() || words.stream().allMatch(Words.of(entry)::contains));
    }

    private boolean isAt(Deed deed) {
        return filter.vehicle() == null
                || deed.at().stream()
                        .anyMatch(place -> place.vehicle() == filter.vehicle()
                                && (filter.position() == null
                                        || filter.position().equals(place.position())));
    }

    private boolean isBy(Author author) {
        Author.Kind kind = filter.authorKind() == null ? Author.Kind.PERSON : filter.authorKind();
        return filter.author() == null || author.kind() == kind && author.id().equals(filter.author());
    }

    private static boolean isAbout(Thing thing, long alert) {
        return thing.kind() == Thing.Kind.ALERT && thing.id().equals(Long.toString(alert));
    }
}
