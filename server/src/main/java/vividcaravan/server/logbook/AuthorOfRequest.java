package vividcaravan.server.logbook;

import java.util.function.Consumer;
import org.hibernate.StatelessSession;

/** Knows for whom the present thread works. */
@FunctionalInterface
public interface AuthorOfRequest {

    /** Whoever sent the request under way; the product itself where there is none. */
    Author current();

    /**
     * A look, within a write, whether the request under way may still be carried out: a body may be held back for as long as
     * its sender likes, and its person be taken off meanwhile.
     *
     * @return refuses where its session or its token has ended since it was let in
     */
    default Consumer<StatelessSession> stillLetIn() {
        return session -> {};
    }
}
