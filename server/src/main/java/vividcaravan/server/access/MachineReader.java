package vividcaravan.server.access;

import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * A machine as the security layer knows it.
 *
 * @param name what its token is called
 * @param owner the person for whom it speaks: whoever made its token, or the token with which that was made
 */
record MachineReader(String name, String owner) implements AuthenticatedPrincipal {

    @Override
    public String getName() {
        return name;
    }
}
