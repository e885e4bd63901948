package vividcaravan.server.access;

import java.util.function.Consumer;
import org.hibernate.StatelessSession;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.AuthorOfRequest;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.Refusal;

/** Whoever signed in or came with a token sends the request under way. */
@Component
class AuthorOfContext implements AuthorOfRequest {

    /** Named, since a token of the operator's own is in no table. */
    private static final String TOKEN = ReaderKey.ofToken(0).replace("0", "");

    @Override
    public Consumer<StatelessSession> stillLetIn() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        Object principal = who == null ? null : who.getPrincipal();
        if (principal instanceof SignedIn person) {
            return session -> {
                boolean isIn = session.createSelectionQuery(
                                "select sessionNumber from AccountRow where userName = :name and removedAt is null",
                                Integer.class)
                        .setParameter("name", person.userName())
                        .uniqueResultOptional()
                        .filter(number -> number == person.sessionNumber())
                        .isPresent();
                refuseUnless(isIn);
            };
        }
        if (principal instanceof MachineReader
                && who.getDetails() instanceof String key
                && !key.equals(ReaderKey.ofToken(0))) {
            long id = Long.parseLong(key.substring(TOKEN.length()));
            return session -> refuseUnless(
                    session.createSelectionQuery("select count(*) from ApiTokenRow where id = :id", Long.class)
                                    .setParameter("id", id)
                                    .getSingleResult()
                            > 0);
        }
        return session -> {};
    }

    private static void refuseUnless(boolean isIn) {
        if (!isIn) {
            throw Refusal.unauthorized(
                    "You were signed out before this was carried out; nothing was stored. Sign in again.");
        }
    }

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
