package vividcaravan.server.operation;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.file.Path;
import java.util.List;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.platform.Refusal;

@RestController
@RequestMapping("/api/v1/backups")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "backups")
class BackupsController {

    private final Backups backups;

    BackupsController(Backups backups) {
        this.backups = backups;
    }

    record BackupList(List<Backups.Backup> items) {}

    @GetMapping
    @Operation(operationId = "listBackups", summary = "Backups that were made, the newest first")
    BackupList list() {
        return new BackupList(backups.all());
    }

    @PostMapping
    @Operation(operationId = "makeBackup", summary = "Make a backup now, while everything goes on")
    Backups.Backup make() {
        return backups.make();
    }

    /**
     * How the logbook in a backup stands.
     *
     * @param isWhole whether its chain has no break
     * @param isPartOfThis whether its newest entry is in the live book too, with the same hash
     * @param newest number of its newest entry
     * @param breaks where it is not whole, the first of them
     */
    record BackupStanding(
            boolean isWhole,
            boolean isPartOfThis,
            long entries,
            long newest,
            String hash,
            List<LogbookProof.Break> breaks) {}

    @GetMapping("/{name}/proof")
    @Operation(operationId = "proveBackup", summary = "Check the logbook in a backup, and hold it against the live one")
    BackupStanding prove(@PathVariable String name) {
        Backups.Standing standing = backups.standing(name);
        LogbookProof proof = standing.proof();
        return new BackupStanding(
                proof.isWhole(),
                standing.isPartOfThis(),
                proof.entries(),
                proof.newest(),
                proof.hash(),
                proof.breaks());
    }

    @GetMapping(path = "/{name}", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @Operation(operationId = "getBackup", summary = "Fetch a backup")
    ResponseEntity<Resource> get(@PathVariable String name) {
        Path file = backups.file(name).orElseThrow(() -> Refusal.notFound("There is no backup \"" + name + "\"."));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(new FileSystemResource(file));
    }
}
