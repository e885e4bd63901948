package vividcaravan.server.access;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Service;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.PersonBehind;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.ReaderLeft;
import vividcaravan.server.platform.ReceiverName;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/**
 * Tokens by which machines are let in. Only a hash of each is kept; 256 random bits need no slow one. Tokens of demo mode
 * count in demo mode only.
 */
@Service
public class ApiTokens {

    /** What a token is good for. */
    public enum Scope {
        /** All that a manager may do. */
        MANAGER,
        /** To post readings, and nothing else. */
        RECEIVER,
        /** To read the figures for monitoring, and nothing else. */
        MONITOR,
        /** To show who may leave, and nothing else. */
        GATE,
        /** To tell a calendar what work comes due, and nothing else: it is the last part of a secret link. */
        CALENDAR
    }

    /**
     * A token as it is listed: never the secret itself.
     *
     * @param owner the person it belongs to, with whom it ends
     * @param receiver the receiver whose readings it brings, whatever they say; null where they may say
     */
    public record Token(
            long id,
            String name,
            Scope scope,
            String createdBy,
            String owner,
            @Nullable String receiver,
            Instant createdAt) {}

    /** A token just made, with the secret that is shown once. */
    public record NewToken(Token token, String secret) {}

    /** Who a token stands for. */
    record Bearer(long id, String name, Scope scope, String owner, @Nullable String receiver) {}

    /** Of the token that the operator set. */
    static final String CONFIGURED = "configured token";

    private static final int LONGEST_NAME = 120;

    private final ApiTokenRepository rows;
    private final AccountRepository accounts;
    private final SingleWriter writer;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final boolean isDemo;
    private final String configuredHash;
    private final Map<String, Bearer> byHash = new ConcurrentHashMap<>();

    ApiTokens(
            ApiTokenRepository rows,
            AccountRepository accounts,
            SingleWriter writer,
            Clock clock,
            ApplicationEventPublisher events,
            VividProperties properties) {
        this.events = events;
        this.rows = rows;
        this.accounts = accounts;
        this.writer = writer;
        this.clock = clock;
        this.isDemo = properties.demo();
        this.configuredHash = properties.apiToken() == null ? null : Secret.hash(properties.apiToken());
        rows.findAllByIsDemoOrderById(isDemo).forEach(this::letIn);
    }

    private void letIn(ApiTokenRow row) {
        byHash.put(row.tokenHash, new Bearer(row.id, row.name, row.scope, row.owner, row.receiver));
    }

    /** Whom {@code secret} lets in. */
    Optional<Bearer> find(String secret) {
        String hash = Secret.hash(secret);
        return hash.equals(configuredHash)
                ? Optional.of(new Bearer(0, CONFIGURED, Scope.MANAGER, CONFIGURED, null))
                : Optional.ofNullable(byHash.get(hash));
    }

    /** Whether {@code secret} is that of a token of this scope. */
    public boolean isFor(String secret, Scope scope) {
        return find(secret).filter(bearer -> bearer.scope() == scope).isPresent();
    }

    /** Every token but the configured one, oldest first. */
    public List<Token> all() {
        return rows.findAllByIsDemoOrderById(isDemo).stream()
                .map(ApiTokens::token)
                .toList();
    }

    /** Makes a token for whoever is asking; one made with a token belongs to the same person. */
    public NewToken make(@Nullable String name, @Nullable Scope scope, @Nullable String receiver, Authentication who) {
        return make(name, scope, receiver, who.getName(), PersonBehind.of(who));
    }

    /** The same, bound to no receiver. */
    public NewToken make(@Nullable String name, @Nullable Scope scope, String by, String owner) {
        return make(name, scope, null, by, owner);
    }

    /**
     * Makes a token.
     *
     * @param receiver the receiver whose readings it brings, or null
     * @param by who makes it
     * @param owner the person it belongs to
     * @throws Refusal if it has no name or no scope, or what is no receiver's name
     */
    private NewToken make(
            @Nullable String name, @Nullable Scope scope, @Nullable String receiver, String by, String owner) {
        Faults faults = new Faults();
        faults.text(
                "name", name, LONGEST_NAME, "Give the token a name of 1 to 120 characters, so that you know it again.");
        faults.given("scope", scope, "Choose what the token is for: RECEIVER, GATE, CALENDAR, MONITOR or MANAGER.");
        if (name != null && accounts.existsByUserNameOrDisplayNameIgnoreCase(SignInThrottle.name(name), name.strip())) {
            faults.add(
                    "name",
                    "\"" + name.strip()
                            + "\" is the name of a person, and records would name them for what the token does."
                            + " Call it by what uses it.");
        }
        String bound = receiver == null || receiver.isBlank() ? null : receiver.strip();
        if (bound != null && !ReceiverName.isOne(bound)) {
            faults.add("receiver", ReceiverName.WORDS);
        } else if (bound != null && scope != Scope.RECEIVER) {
            faults.add("receiver", "Only a token for receivers can be bound to one.");
        }
        faults.refuse();
        String secret = "vc_" + Secret.make();
        // In the order of the changes: one that is ended in the same moment does not come back.
        ApiTokenRow made = writer.make(
                view -> Decision.make(pen -> {
                    ApiTokenRow row = new ApiTokenRow();
                    row.name = name.strip();
                    row.scope = scope;
                    row.tokenHash = Secret.hash(secret);
                    row.isDemo = isDemo;
                    row.createdBy = by;
                    row.owner = owner;
                    row.receiver = bound;
                    row.createdAt = clock.instant();
                    pen.session().insert(row);
                    return new Done<>(
                            row,
                            deed(DeedKind.TOKEN_MADE, row, "made ")
                                    .with("Good for", null, scope.name().toLowerCase(Locale.ROOT))
                                    .with("Belongs to", null, owner)
                                    .with("Receiver", null, bound));
                }),
                this::letIn);
        return new NewToken(token(made), secret);
    }

    private static Deed deed(DeedKind kind, ApiTokenRow row, String words) {
        return Deed.of(
                kind,
                new Thing(Thing.Kind.TOKEN, Long.toString(row.id), row.name),
                words + "token \u201c" + row.name + "\u201d");
    }

    /** Ends a token at once. */
    public void revoke(long id) {
        writer.make(
                view -> {
                    ApiTokenRow row = view.get(ApiTokenRow.class, id);
                    if (row == null || row.isDemo != isDemo) {
                        throw Refusal.notFound("There is no such token; perhaps it was ended already.");
                    }
                    return Decision.make(pen -> {
                        pen.session().delete(row);
                        return new Done<>(row, deed(DeedKind.TOKEN_ENDED, row, "ended "));
                    });
                },
                this::shutOut);
    }

    private void shutOut(ApiTokenRow row) {
        byHash.remove(row.tokenHash);
        events.publishEvent(new ReaderLeft(ReaderKey.ofToken(row.id)));
    }

    /** Ends every token of this name. */
    public void revoke(String name) {
        rows.findAllByIsDemoOrderById(isDemo).stream()
                .filter(row -> row.name.equals(name))
                .forEach(row -> revoke(row.id));
    }

    /**
     * Ends every token of somebody who leaves, within a write.
     *
     * @return what is to be done once that is on disk
     */
    Runnable endAllOf(Pen pen, String owner) {
        List<ApiTokenRow> ended = of(pen, owner);
        for (ApiTokenRow row : ended) {
            pen.session().delete(row);
            pen.note(deed(DeedKind.TOKEN_ENDED, row, "ended ").because("Its owner was taken off."));
        }
        return () -> ended.forEach(this::shutOut);
    }

    /** Gives every token of somebody who leaves to somebody else; they go on. The same otherwise. */
    Runnable passOn(Pen pen, String owner, String to) {
        List<ApiTokenRow> passed = of(pen, owner);
        for (ApiTokenRow row : passed) {
            row.owner = to;
            pen.session().update(row);
            pen.note(deed(DeedKind.TOKEN_PASSED_ON, row, "passed on ").with("Belongs to", owner, to));
        }
        return () -> passed.forEach(this::letIn);
    }

    private List<ApiTokenRow> of(Pen pen, String owner) {
        return View.of(pen.session())
                .select("from ApiTokenRow where isDemo = :demo and owner = :owner order by id", ApiTokenRow.class)
                .setParameter("demo", isDemo)
                .setParameter("owner", owner)
                .getResultList();
    }

    private static Token token(ApiTokenRow row) {
        return new Token(row.id, row.name, row.scope, row.createdBy, row.owner, row.receiver, row.createdAt);
    }
}
