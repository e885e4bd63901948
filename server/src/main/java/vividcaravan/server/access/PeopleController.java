package vividcaravan.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What people are called: records name them by their user names, and pages by their own. */
@RestController
@RequestMapping("/api/v1/people")
@Tag(name = "session")
class PeopleController {

    private final Accounts accounts;

    PeopleController(Accounts accounts) {
        this.accounts = accounts;
    }

    /**
     * Somebody whom a record may name, those who left the team among them.
     *
     * @param handlesAlerts whether an alert may be given to them
     */
    record Person(String userName, String displayName, boolean handlesAlerts) {}

    record People(List<Person> items) {}

    @GetMapping
    @Operation(operationId = "listPeople", summary = "What the people are called whom records name")
    People list() {
        return new People(accounts.all().stream()
                .map(member -> new Person(
                        member.account().userName(),
                        member.account().displayName(),
                        member.removedAt() == null && member.account().role().handlesAlerts()))
                .toList());
    }
}
