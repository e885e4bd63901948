package vividcaravan.server.columns;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.PersonBehind;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;

/** Tables of what a fleet has, in. */
@RestController
@RequestMapping("/api/v1/sheets")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "tables")
class SheetsController {

    private static final long LARGEST = 16L * 1024 * 1024;

    private final Sheets sheets;

    SheetsController(Sheets sheets) {
        this.sheets = sheets;
    }

    /** What a table can be of. */
    record KindItem(String kind, String words, List<Columns.ColumnItem> fields) {}

    record KindList(List<KindItem> items) {}

    @GetMapping
    @Operation(operationId = "listSheetKinds", summary = "What tables can be of, and what their columns can mean")
    KindList kinds() {
        return new KindList(sheets.kinds().stream()
                .map(kind -> new KindItem(
                        kind.name(),
                        kind.words(),
                        kind.fields().stream()
                                .map(field ->
                                        new Columns.ColumnItem(field.name(), field.words(), field.isRequired(), null))
                                .toList()))
                .toList());
    }

    @GetMapping("/{kind}")
    @Operation(operationId = "getSheet", summary = "What there is as a table (CSV), which can be taken in again")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    ResponseEntity<String> get(@PathVariable String kind, @RequestParam(defaultValue = "KPA") PressureUnit pressure) {
        String name = kind.toLowerCase(Locale.ROOT).replaceAll("[^a-z_]", "") + ".csv";
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(TableFile.TYPE))
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(sheets.text(kind, pressure));
    }

    @PostMapping("/{kind}")
    @Operation(
            operationId = "takeSheet",
            summary = "Look at a table (CSV), or take it in whole or not at all",
            description =
                    "The first row heads the columns. Which column is which is remembered for tables with the same"
                            + " headings; until then it is guessed, or said as a JSON object of headings by field.")
    @RequestBody(required = true, content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    Sheets.SheetAnswer take(
            @PathVariable String kind,
            @RequestParam(defaultValue = "true") boolean isPreview,
            @RequestParam(defaultValue = "false") boolean isUpdate,
            @RequestParam(required = false) @Nullable String columns,
            @RequestParam(defaultValue = "KPA") PressureUnit pressure,
            @RequestParam(defaultValue = "UTC") String timeZone,
            HttpServletRequest request,
            Principal who) {
        Wish wish = new Wish(
                pressure,
                zone(timeZone),
                isUpdate,
                who.getName(),
                PersonBehind.of(who),
                ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString());
        try (InputStream in = BodyStreams.bounded(BodyStreams.unpacked(request), LARGEST)) {
            // Read whole before anything is looked at: what is too large or breaks off has changed nothing.
            byte[] bytes = in.readAllBytes();
            return sheets.take(kind, new java.io.ByteArrayInputStream(bytes), columns, wish, isPreview);
        } catch (BodyStreams.TooLarge e) {
            throw Refusal.tooLarge("A table may have 16 MB. Send it in several; nothing was stored.");
        } catch (IOException e) {
            throw Refusal.badRequest("file", "The table broke off on its way. Nothing was stored; send it again.");
        }
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw Refusal.badRequest("timeZone", "\"" + name + "\" is no time zone; write one such as Europe/Dublin.");
        }
    }
}
