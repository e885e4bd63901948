package vividcaravan.server.team;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.access.ApiTokens;
import vividcaravan.server.platform.QueryParameters;

@RestController
@RequestMapping("/api/v1/tokens")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "tokens")
class TokensController {

    private final ApiTokens tokens;

    TokensController(ApiTokens tokens) {
        this.tokens = tokens;
    }

    record TokenList(List<ApiTokens.Token> items) {}

    /**
     * @param receiver the receiver whose readings it brings, whatever they say; only for scope RECEIVER, and may be left out
     */
    record TokenRequest(@Nullable String name, ApiTokens.@Nullable Scope scope, @Nullable String receiver) {}

    @GetMapping
    @Operation(operationId = "listTokens", summary = "Tokens by which machines are let in")
    TokenList list() {
        return new TokenList(tokens.all());
    }

    @PostMapping
    @Operation(operationId = "makeToken", summary = "Make a token; its secret is shown once")
    ApiTokens.NewToken make(@RequestBody TokenRequest request, Authentication who) {
        return tokens.make(request.name(), request.scope(), request.receiver(), who);
    }

    @DeleteMapping("/{id}")
    @Operation(operationId = "revokeToken", summary = "End a token at once")
    TokenList revoke(@PathVariable String id) {
        tokens.revoke(QueryParameters.id("token", id));
        return list();
    }
}
