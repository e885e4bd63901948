package vividcaravan.server.platform;

import org.springframework.security.core.Authentication;

/** By what somebody is known for as long as they are let in: a person by name, a machine by its token. */
public final class ReaderKey {

    private ReaderKey() {}

    /** Of whoever asks. The details of a machine's authentication name its token. */
    public static String of(Authentication who) {
        return who.getDetails() instanceof String token ? token : ofPerson(who.getName());
    }

    public static String ofPerson(String userName) {
        return "person " + userName;
    }

    public static String ofToken(long id) {
        return "token " + id;
    }
}
