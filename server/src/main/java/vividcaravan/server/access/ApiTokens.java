package vividcaravan.server.access;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

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
        MONITOR
    }

    /** A token as it is listed: never the secret itself. */
    public record Token(long id, String name, Scope scope, String createdBy, Instant createdAt) {}

    /** A token just made, with the secret that is shown once. */
    public record NewToken(Token token, String secret) {}

    /** Who a token stands for. */
    record Bearer(String name, Scope scope) {}

    private static final int LONGEST_NAME = 120;

    private final ApiTokenRepository rows;
    private final Clock clock;
    private final boolean isDemo;
    private final String configuredHash;
    private final Map<String, Bearer> byHash = new ConcurrentHashMap<>();

    ApiTokens(ApiTokenRepository rows, Clock clock, VividProperties properties) {
        this.rows = rows;
        this.clock = clock;
        this.isDemo = properties.demo();
        this.configuredHash = properties.apiToken() == null ? null : Secret.hash(properties.apiToken());
        rows.findAllByIsDemoOrderById(isDemo)
                .forEach(row -> byHash.put(row.tokenHash, new Bearer(row.name, row.scope)));
    }

    /** Whom {@code secret} lets in. */
    Optional<Bearer> find(String secret) {
        String hash = Secret.hash(secret);
        return hash.equals(configuredHash)
                ? Optional.of(new Bearer("configured token", Scope.MANAGER))
                : Optional.ofNullable(byHash.get(hash));
    }

    /** Every token but the configured one, oldest first. */
    public List<Token> all() {
        return rows.findAllByIsDemoOrderById(isDemo).stream()
                .map(ApiTokens::token)
                .toList();
    }

    /**
     * Makes a token.
     *
     * @throws Refusal if it has no name or no scope
     */
    @Transactional
    public NewToken make(String name, Scope scope, String by) {
        if (name == null || name.isBlank() || name.length() > LONGEST_NAME) {
            throw Refusal.badRequest(
                    "name", "Give the token a name of 1 to 120 characters, so that you know it again.");
        }
        if (scope == null) {
            throw Refusal.badRequest("scope", "Choose what the token is for: RECEIVER, MONITOR or MANAGER.");
        }
        String secret = "vc_" + Secret.make();
        ApiTokenRow row = new ApiTokenRow();
        row.name = name.strip();
        row.scope = scope;
        row.tokenHash = Secret.hash(secret);
        row.isDemo = isDemo;
        row.createdBy = by;
        row.createdAt = clock.instant();
        ApiTokenRow saved = rows.save(row);
        byHash.put(saved.tokenHash, new Bearer(saved.name, saved.scope));
        return new NewToken(token(saved), secret);
    }

    /** Ends a token at once. */
    @Transactional
    public void revoke(long id) {
        ApiTokenRow row = rows.findById(id)
                .filter(known -> known.isDemo == isDemo)
                .orElseThrow(() -> Refusal.notFound("There is no such token; perhaps it was ended already."));
        rows.delete(row);
        byHash.remove(row.tokenHash);
    }

    /** Ends every token of this name. */
    @Transactional
    public void revoke(String name) {
        rows.findAllByIsDemoOrderById(isDemo).stream()
                .filter(row -> row.name.equals(name))
                .forEach(row -> revoke(row.id));
    }

    private static Token token(ApiTokenRow row) {
        return new Token(row.id, row.name, row.scope, row.createdBy, row.createdAt);
    }
}
