package vividcaravan.server.access;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.AuthenticatedPrincipal;
import vividcaravan.server.platform.BoundReceiver;
import vividcaravan.server.platform.PersonBehind;

/**
 * A machine as the security layer knows it.
 *
 * @param name what its token is called
 * @param owner the person for whom it speaks: whoever made its token, or the token with which that was made
 * @param receiver the receiver that its token is bound to, or null
 */
record MachineReader(String name, String owner, @Nullable String receiver)
        implements AuthenticatedPrincipal, BoundReceiver, PersonBehind {

    @Override
    public String getName() {
        return name;
    }
}
