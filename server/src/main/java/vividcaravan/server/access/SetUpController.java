package vividcaravan.server.access;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/set-up")
@Tag(name = "session")
class SetUpController {

    private final SetUp setUp;

    SetUpController(SetUp setUp) {
        this.setUp = setUp;
    }

    /**
     * The first manager.
     *
     * @param secret from the link in the log
     */
    record FirstManager(
            @Nullable String secret,
            @Nullable String userName,
            @Nullable String displayName,
            @Nullable String password) {}

    @PostMapping
    @Operation(operationId = "setUp", summary = "Make the first manager, through the link in the log")
    Account make(@RequestBody FirstManager first) {
        return setUp.makeManager(first.secret(), first.userName(), first.displayName(), first.password());
    }
}
