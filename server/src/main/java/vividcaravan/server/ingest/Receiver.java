package vividcaravan.server.ingest;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import vividcaravan.server.platform.BoundReceiver;

/**
 * What brings readings in: something with a token, or a person who sends some by hand.
 *
 * @param name what its token is called, or the person's user name
 * @param bound the receiver that heard all it brings, or null where each reading says so itself
 */
record Receiver(String name, @Nullable String bound) {

    static Receiver of(Authentication who) {
        return new Receiver(who.getName(), who.getPrincipal() instanceof BoundReceiver it ? it.receiver() : null);
    }
}
