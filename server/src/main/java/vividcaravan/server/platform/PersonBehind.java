package vividcaravan.server.platform;

import java.security.Principal;
import org.springframework.security.core.Authentication;

/** For whom a request speaks: the person who signed in, or the one to whom the token belongs that it came with. */
public interface PersonBehind {

    /** The person to whom a machine's token belongs. */
    String owner();

    /**
     * The name by which what outlives a request is owned, so that it ends with its person and not with a token's name.
     *
     * @param who sent the request
     */
    static String of(Principal who) {
        return who instanceof Authentication authentication
                        && authentication.getPrincipal() instanceof PersonBehind machine
                ? machine.owner()
                : who.getName();
    }
}
