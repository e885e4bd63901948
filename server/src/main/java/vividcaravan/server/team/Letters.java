package vividcaravan.server.team;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividcaravan.server.access.Invitations;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Follower;

/** Writes the mails that deeds ask for: whoever is invited gets a letter, once, also if the product is killed in between. */
@Component
class Letters implements Follower {

    private final Invitations invitations;
    private final Outbox outbox;

    Letters(Invitations invitations, Outbox outbox) {
        this.invitations = invitations;
        this.outbox = outbox;
    }

    @Override
    public String name() {
        return "mail";
    }

    @Override
    public Optional<Change<?>> follow(List<LogbookEntry> entries) {
        List<Change<Void>> letters =
                entries.stream().flatMap(entry -> letter(entry).stream()).toList();
        Change<List<Void>> all = view -> Decision.inTurn(letters);
        return letters.isEmpty() ? Optional.empty() : Optional.of(all);
    }

    private Optional<Change<Void>> letter(LogbookEntry entry) {
        return switch (entry.deed().kind()) {
            case INVITATION_MADE ->
                Optional.of(
                        invitations.letter(Long.parseLong(entry.deed().thing().id())));
            case BOOK_SEALED -> Optional.of(seal(entry));
            default -> Optional.empty();
        };
    }

    /** Whoever keeps this letter can show later that the book up to there was not written anew. */
    private Change<Void> seal(LogbookEntry entry) {
        String line = entry.number() + ":" + entry.hash();
        return view -> Decision.make(pen -> Done.by(outbox.write(
                pen,
                entry.deed().thing().id(),
                "The logbook up to entry " + entry.number(),
                """
                Entry %d of the logbook, made %s, has this number and SHA-256:

                %s

                Keep this mail. With that line anybody can check later that no entry up to there was changed, taken
                out or added:
                bin/vivid-caravan --verify-logbook %s"""
                        .formatted(entry.number(), entry.at(), line, line))));
    }
}
