package vividcaravan.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What somebody does who was invited; open to all who have a link. */
@RestController
@RequestMapping("/api/v1/join")
@Tag(name = "session")
class JoinController {

    private final Invitations invitations;

    JoinController(Invitations invitations) {
        this.invitations = invitations;
    }

    /** The part of a link behind its hash. */
    record InvitationLink(@Nullable String secret) {}

    /** What a link is for. */
    record InvitationOffer(String email, Role role) {}

    /** A new member of the team. */
    record NewMember(
            @Nullable String secret,
            @Nullable String userName,
            @Nullable String displayName,
            @Nullable String password) {}

    @PostMapping("/looks")
    @Operation(operationId = "lookAtInvitation", summary = "What a link from a mail is for; changes nothing")
    InvitationOffer look(@RequestBody InvitationLink link) {
        Invitations.Invitation invitation = invitations.look(link.secret());
        return new InvitationOffer(invitation.email(), invitation.role());
    }

    @PostMapping
    @Operation(operationId = "join", summary = "Make the account that a link from a mail is for; works once")
    Account join(@RequestBody NewMember member) {
        return invitations.accept(member.secret(), member.userName(), member.displayName(), member.password());
    }
}
