package vividcaravan.server.logbook;

/** Knows for whom the present thread works. */
@FunctionalInterface
public interface AuthorOfRequest {

    /** Whoever sent the request under way; the product itself where there is none. */
    Author current();
}
