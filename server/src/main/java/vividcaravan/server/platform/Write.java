package vividcaravan.server.platform;

import org.hibernate.StatelessSession;

/**
 * A change to be made by the single writer.
 *
 * @param <T> what the asker is told
 */
public interface Write<T> {

    /**
     * Makes the change inside the writer's transaction. Whatever it throws undoes this write and no other, in the
     * database and in memory: a {@link Refusal} or {@link vividcaravan.core.alert.AlertRefused} goes to the asker as it
     * is, anything else as what it comes to. Only what says that nothing can be written undoes the whole group.
     */
    T make(StatelessSession session);

    /** Runs once the change is on disk, before the asker is told; what it throws is logged and changes no answer. */
    default void onDurable() {}

    /** Whether this write may share a transaction with others of its kind. */
    default boolean isGroupable() {
        return false;
    }
}
