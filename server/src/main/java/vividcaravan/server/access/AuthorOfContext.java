package vividcaravan.server.access;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.AuthorOfRequest;

/** Whoever signed in or came with a token sends the request under way. */
@Component
class AuthorOfContext implements AuthorOfRequest {

    @Override
    public Author current() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        Object principal = who == null ? null : who.getPrincipal();
        if (principal instanceof SignedIn person) {
            return Author.person(person.userName(), person.displayName());
        }
        return principal instanceof MachineReader machine ? Author.token(machine.name()) : Author.SCHEDULE;
    }
}
