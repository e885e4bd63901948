package vividcaravan.server.operation;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.platform.Progress;

@RestController
@RequestMapping("/api/v1/progress")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "operation")
class ProgressController {

    private final Progress progress;

    ProgressController(Progress progress) {
        this.progress = progress;
    }

    record UnderWay(List<Progress.Stand> items) {}

    @GetMapping
    @Operation(operationId = "getProgress", summary = "How far the long works are, such as an import or a backup")
    UnderWay get() {
        return new UnderWay(progress.underWay());
    }
}
