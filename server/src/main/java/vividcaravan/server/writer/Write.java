package vividcaravan.server.writer;

/**
 * What the single writer takes in of what machines measured. A change that somebody makes is a {@link Change}.
 *
 * @param <T> what the asker is told
 */
public interface Write<T> {

    /**
     * Makes the change inside the writer's transaction. Whatever it throws undoes this write and no other, in the
     * database and in memory: a {@link vividcaravan.server.platform.Refusal} or {@link vividcaravan.core.alert.AlertRefused} goes to the asker as it
     * is, anything else as what it comes to. Only what says that nothing can be written undoes the whole group.
     */
    T make(Pen pen);

    /** Runs once the change is on disk, before the asker is told; what it throws is logged and changes no answer. */
    default void onDurable() {}

    /** Whether this write may share a transaction with others of its kind. */
    default boolean isGroupable() {
        return false;
    }
}
