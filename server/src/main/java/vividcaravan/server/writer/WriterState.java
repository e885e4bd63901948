package vividcaravan.server.writer;

import org.hibernate.StatelessSession;

/**
 * What the single writer keeps in memory beside the database. There may be several; where one needs what another has read, it
 * says so by {@link org.springframework.core.annotation.Order}.
 */
public interface WriterState {

    /** Reads everything afresh from the database; called at the start and after a transaction that failed as a whole. */
    void load(StatelessSession session);

    /** The write just made stands: what is touched from now on is touched by the next one. */
    default void settled() {}

    /**
     * Reads afresh what the write under way has touched, and no more. The database is as it was before that write, with
     * what earlier ones of its group did.
     */
    default void takeBack(StatelessSession session) {}

    /** Called in the group's transaction after its writes were made, before the commit. */
    default void beforeCommit(StatelessSession session) {}

    /** Called once the group's writes are on disk, before the askers are told. */
    default void onDurable() {}

    /**
     * Called between groups: housekeeping in small portions.
     *
     * @param isIdle whether nothing waits to be written
     * @return whether there is more to do right away
     */
    default boolean tidy(StatelessSession session, boolean isIdle) {
        return false;
    }
}
