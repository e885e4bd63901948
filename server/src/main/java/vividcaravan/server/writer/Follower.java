package vividcaravan.server.writer;

import java.util.List;
import java.util.Optional;
import vividcaravan.server.logbook.LogbookEntry;

/**
 * A feature that learns from the logbook what was done. It is shown every entry in order, beginning where it stopped, also
 * after the product was killed.
 */
public interface Follower {

    /** Under which its place in the book is kept; never to be changed. */
    String name();

    /**
     * Looks at entries that it was not shown before. What it returns is made in one transaction with its moving on, so that
     * it is made once; what it does otherwise must bear being done twice.
     *
     * @param entries in their order, at least one
     * @return what is to be made because of them
     */
    Optional<Change<?>> follow(List<LogbookEntry> entries);
}
