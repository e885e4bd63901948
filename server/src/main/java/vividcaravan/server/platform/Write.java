package vividcaravan.server.platform;

import org.hibernate.StatelessSession;

/**
 * A change to be made by the single writer.
 *
 * @param <T> what the asker is told
 */
public interface Write<T> {

    /**
     * Makes the change inside the writer's transaction. A {@link Refusal} or
     * {@link vividcaravan.core.alert.AlertRefused} thrown before anything was changed goes to the asker; any other
     * exception undoes the whole group and has the state in memory read afresh.
     */
    T make(StatelessSession session);

    /** Runs once the change is on disk, before the asker is told. */
    default void onDurable() {}

    /** Whether this write may share a transaction with others of its kind. */
    default boolean isGroupable() {
        return false;
    }
}
