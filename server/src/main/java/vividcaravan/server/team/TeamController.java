package vividcaravan.server.team;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import vividcaravan.server.access.Account;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Invitations;
import vividcaravan.server.access.Leaving;
import vividcaravan.server.access.Role;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.PersonBehind;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Followers;

/** The people who may sign in, those who are asked to, and the mail that asks them. */
@RestController
@RequestMapping("/api/v1")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "team")
class TeamController {

    private static final int MOST_VEHICLES = 1_000;

    private final Accounts accounts;
    private final Invitations invitations;
    private final Leaving leaving;
    private final Outbox outbox;
    private final Followers followers;
    private final FleetDirectory fleet;
    private final LinkAddress links;

    TeamController(
            Accounts accounts,
            Invitations invitations,
            Leaving leaving,
            Outbox outbox,
            Followers followers,
            FleetDirectory fleet,
            LinkAddress links) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.leaving = leaving;
        this.outbox = outbox;
        this.followers = followers;
        this.fleet = fleet;
        this.links = links;
    }

    /**
     * A person.
     *
     * @param removedAt since when they are no longer on the team; their name stays in the records
     * @param vehicles refs of the vehicles that a driver sees
     */
    record TeamMember(
            String userName,
            String displayName,
            Role role,
            @Nullable String email,
            @Nullable String phone,
            @Nullable Instant removedAt,
            List<String> vehicles) {}

    /** Everybody, and who was asked. */
    record Team(List<TeamMember> items, List<Invitations.Invitation> invitations) {}

    record NewAccount(
            @Nullable String userName, @Nullable String displayName, @Nullable Role role, @Nullable String password) {}

    @GetMapping("/accounts")
    @Operation(operationId = "listAccounts", summary = "The people who may sign in, and who was asked to join")
    Team list() {
        return new Team(accounts.all().stream().map(this::member).toList(), invitations.waiting());
    }

    private TeamMember member(Accounts.Member member) {
        return new TeamMember(
                member.account().userName(),
                member.account().displayName(),
                member.account().role(),
                member.email(),
                member.phone(),
                member.removedAt(),
                member.vehicleIds().stream()
                        .flatMap(id -> fleet.vehicle(id).stream())
                        .map(vehicle -> vehicle.description().ref())
                        .sorted()
                        .toList());
    }

    @PostMapping("/accounts")
    @Operation(operationId = "addAccount", summary = "Add a person by hand")
    Account add(@RequestBody NewAccount request) {
        return accounts.add(request.userName(), request.displayName(), request.role(), request.password());
    }

    @DeleteMapping("/accounts/{userName}")
    @Operation(
            operationId = "removeAccount",
            summary = "Take a person off, with sessions, streams and tokens; records go on naming them")
    Team remove(
            @PathVariable String userName,
            @RequestParam(required = false) Leaving.@Nullable Tokens tokens,
            Principal who) {
        leaving.takeOff(userName, tokens == null ? Leaving.Tokens.END : tokens, PersonBehind.of(who));
        return list();
    }

    /** The vehicles that a driver sees, by ref. */
    record Assignment(@Nullable List<String> vehicles) {}

    @PutMapping("/accounts/{userName}/vehicles")
    @Operation(operationId = "assignVehicles", summary = "Say which vehicles a driver sees")
    Team assign(@PathVariable String userName, @RequestBody Assignment assignment) {
        List<String> refs = assignment.vehicles();
        if (refs == null || refs.contains(null) || refs.size() > MOST_VEHICLES) {
            throw Refusal.badRequest("vehicles", "Give the refs of 0 to " + MOST_VEHICLES + " vehicles.");
        }
        Set<Long> ids = new HashSet<>();
        for (String ref : refs) {
            FleetVehicle vehicle = fleet.vehicle(ref)
                    .orElseThrow(() -> Refusal.badRequest("vehicles", "There is no vehicle \"" + ref + "\"."));
            ids.add(vehicle.id());
        }
        accounts.assign(userName, ids);
        return list();
    }

    /** A telephone number for text messages; left out for none. */
    record PhoneRequest(@Nullable String phone) {}

    @PutMapping("/accounts/{userName}/phone")
    @Operation(operationId = "setPhone", summary = "Say where somebody gets text messages")
    Team reachBy(@PathVariable String userName, @RequestBody PhoneRequest request) {
        String phone = request.phone() == null || request.phone().isBlank()
                ? null
                : request.phone().strip();
        if (phone != null && !DepotDescription.isPhone(phone)) {
            throw Refusal.badRequest(
                    "phone", "\"" + phone + "\" is no telephone number; write it like +353 1 555 0100.");
        }
        accounts.reachBy(userName, phone);
        return list();
    }

    /** Whom to invite. */
    record InvitationRequest(@Nullable String email, @Nullable Role role) {}

    @PostMapping("/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "invite", summary = "Invite somebody by e-mail; an earlier invitation there ends")
    Invitations.Invitation invite(@RequestBody InvitationRequest request, Principal who) {
        links.refusal().ifPresent(why -> {
            throw Refusal.conflict(why);
        });
        String asked =
                ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString();
        Invitations.Invitation invitation =
                invitations.invite(request.email(), request.role(), PersonBehind.of(who), links.of(asked));
        // Whoever looks into the outbox next finds the letter.
        followers.catchUp();
        return invitation;
    }

    @DeleteMapping("/invitations/{id}")
    @Operation(operationId = "withdrawInvitation", summary = "End an invitation that was not used")
    Team withdraw(@PathVariable String id) {
        invitations.withdraw(QueryParameters.id("invitation", id));
        return list();
    }

    /**
     * The mail that was written.
     *
     * @param isSending whether mail leaves through a mail server; otherwise it is to be read here
     */
    record MailList(boolean isSending, List<Outbox.Mail> items) {}

    @GetMapping("/outbox")
    @Operation(operationId = "listMail", summary = "The mail that was written, the newest first")
    MailList mail() {
        return new MailList(outbox.isSending(), outbox.newest());
    }

    @PostMapping("/outbox/{id}/tries")
    @Operation(operationId = "sendMailAgain", summary = "Try again to send what was given up")
    MailList sendAgain(@PathVariable String id) {
        outbox.sendAgain(QueryParameters.id("mail", id));
        return mail();
    }
}
