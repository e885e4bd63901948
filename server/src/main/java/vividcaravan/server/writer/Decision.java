package vividcaravan.server.writer;

import java.util.ArrayList;
import java.util.List;
import org.hibernate.StatelessSession;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Logbook;

/**
 * What a look has come to.
 *
 * @param <T> what the asker is told
 */
public sealed interface Decision<T> {

    /** Nothing is to be changed. */
    static <T> Decision<T> nothing(T result) {
        return new Nothing<>(result);
    }

    /** This is to be done. */
    static <T> Decision<T> make(Making<T> making) {
        return new Make<>(making);
    }

    /** Each of these is to be looked at and made in turn, all of them or none. */
    static <T> Decision<List<T>> inTurn(List<Change<T>> changes) {
        return new InTurn<>(changes);
    }

    /**
     * The making of a change.
     *
     * @param <T> what the asker is told
     */
    @FunctionalInterface
    interface Making<T> {
        /** Makes the change; whatever it throws undoes all of it. */
        Done<T> make(Pen pen);
    }

    /** Carries it out on the writer's thread. */
    T carryOut(StatelessSession session, Logbook.Page page, Author author);

    record Nothing<T>(T result) implements Decision<T> {
        @Override
        public T carryOut(StatelessSession session, Logbook.Page page, Author author) {
            return result;
        }
    }

    record Make<T>(Making<T> making) implements Decision<T> {
        @Override
        public T carryOut(StatelessSession session, Logbook.Page page, Author author) {
            int place = page.keepPlace();
            Done<T> done = making.make(new Pen(session, page, author));
            page.fill(place, author, done.deed());
            return done.result();
        }
    }

    record InTurn<T>(List<Change<T>> changes) implements Decision<List<T>> {
        @Override
        public List<T> carryOut(StatelessSession session, Logbook.Page page, Author author) {
            List<T> results = new ArrayList<>();
            for (Change<T> change : changes) {
                results.add(new Pen(session, page, author).make(change));
            }
            return results;
        }
    }
}
