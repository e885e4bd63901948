package vividcaravan.server.platform;

import org.hibernate.StatelessSession;

/** What the single writer keeps in memory beside the database. */
public interface WriterState {

    /** Reads everything afresh from the database; called at the start and after a failed transaction. */
    void load(StatelessSession session);

    /** Called in the group's transaction after its writes were made, before the commit. */
    void beforeCommit(StatelessSession session);

    /** Called once the group's writes are on disk, before the askers are told. */
    void onDurable();

    /**
     * Called between groups: housekeeping in small portions.
     *
     * @param isIdle whether nothing waits to be written
     * @return whether there is more to do right away
     */
    boolean tidy(StatelessSession session, boolean isIdle);
}
