package vividcaravan.server.platform;

import org.jspecify.annotations.Nullable;

/** Whoever may be bound to a receiver: then all that it brings was heard by that one. */
public interface BoundReceiver {

    /** The receiver's name, or null where it is bound to none. */
    @Nullable
    String receiver();
}
