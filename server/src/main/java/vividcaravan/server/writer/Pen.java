package vividcaravan.server.writer;

import org.hibernate.StatelessSession;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.Logbook;

/** What a change is made with. Only the single writer gives one, and only to what is to be made now. */
public final class Pen {

    private final StatelessSession session;
    private final Logbook.Page page;
    private final Author author;

    Pen(StatelessSession session, Logbook.Page page, Author author) {
        this.session = session;
        this.page = page;
        this.author = author;
    }

    /** The database, within the writer's transaction. */
    public StatelessSession session() {
        return session;
    }

    /** The same in another's hand. */
    Pen of(Author other) {
        return new Pen(session, page, other);
    }

    /** Makes another change as a part of this one. */
    public <T> T make(Change<T> change) {
        return change.look(View.of(session)).carryOut(session, page, author);
    }

    /** Who makes the change. */
    public Author author() {
        return author;
    }

    /**
     * Adds a deed that goes with the change, by the same author.
     *
     * @return its number in the book
     */
    public long note(Deed deed) {
        return page.add(author, deed);
    }

    /** The same by another author, such as the judge, who draws a consequence. */
    public long note(Author other, Deed deed) {
        return page.add(other, deed);
    }
}
