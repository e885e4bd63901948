package vividcaravan.server.ingest;

import org.springframework.security.core.Authentication;

/**
 * What brings readings in: something with a token, or a person who sends some by hand.
 *
 * @param name what its token is called, or the person's user name
 */
record Receiver(String name) {

    static Receiver of(Authentication who) {
        return new Receiver(who.getName());
    }
}
