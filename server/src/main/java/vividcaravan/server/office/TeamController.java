package vividcaravan.server.office;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.access.Account;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Role;

@RestController
@RequestMapping("/api/v1/accounts")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "team")
class TeamController {

    private final Accounts accounts;

    TeamController(Accounts accounts) {
        this.accounts = accounts;
    }

    record Team(List<Account> items) {}

    record NewAccount(
            @Nullable String userName, @Nullable String displayName, @Nullable Role role, @Nullable String password) {}

    @GetMapping
    @Operation(operationId = "listAccounts", summary = "The people who may sign in")
    Team list() {
        return new Team(accounts.all());
    }

    @PostMapping
    @Operation(operationId = "addAccount", summary = "Add a person")
    Account add(@RequestBody NewAccount request) {
        return accounts.add(request.userName(), request.displayName(), request.role(), request.password());
    }

    @DeleteMapping("/{userName}")
    @Operation(operationId = "removeAccount", summary = "Take a person off")
    Team remove(@PathVariable String userName) {
        accounts.remove(userName);
        return list();
    }
}
