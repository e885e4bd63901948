package vividcaravan.server.access;

import java.util.Optional;
import java.util.Set;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.ReaderSight;

/** A driver sees the vehicles assigned to them; everybody else, and machines, see all. */
@Component
class SightOfAccount implements ReaderSight {

    private final Accounts accounts;

    SightOfAccount(Accounts accounts) {
        this.accounts = accounts;
    }

    @Override
    public Optional<Set<Long>> vehicleIds() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who != null && who.getPrincipal() instanceof SignedIn signedIn && signedIn.role() == Role.DRIVER
                ? Optional.of(accounts.vehiclesOf(signedIn.userName()))
                : Optional.empty();
    }
}
