package vividcaravan.server.team;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/** Lets number and hash of the logbook's newest entry be mailed, so that they are kept where nobody here can reach them. */
@RestController
@RequestMapping("/api/v1/logbook/seals")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "logbook")
class LogbookSealController {

    private final SingleWriter writer;
    private final Followers followers;

    LogbookSealController(SingleWriter writer, Followers followers) {
        this.writer = writer;
        this.followers = followers;
    }

    /** Whom to mail it to. */
    record SealRequest(@Nullable String email) {}

    /** Where it went. */
    record Seal(String email) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "sealLogbook", summary = "Mail number and hash of the newest entry, to be kept elsewhere")
    Seal seal(@RequestBody SealRequest request) {
        String recipient = Outbox.address("email", request.email());
        writer.make(view -> Decision.make(pen -> Done.by(Deed.of(
                DeedKind.BOOK_SEALED,
                new Thing(Thing.Kind.LOGBOOK, recipient, "logbook"),
                "had the logbook's newest number mailed to " + recipient))));
        followers.catchUp();
        return new Seal(recipient);
    }
}
