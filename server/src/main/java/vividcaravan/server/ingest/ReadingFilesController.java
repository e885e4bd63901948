package vividcaravan.server.ingest;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.server.columns.Columns;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Texts;

/** Large files of readings, taken in while everything else goes on. */
@RestController
@RequestMapping("/api/v1/reading-files")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "readings")
class ReadingFilesController {

    private static final int SHOWN = 5;
    private static final int MOST_LOOKED_AT = 2_000;

    private final ReadingFiles files;
    private final ReadingFileOpening opening;

    ReadingFilesController(ReadingFiles files, ReadingFileOpening opening) {
        this.files = files;
        this.opening = opening;
    }

    /** A file and how far it is; rows count from its first reading. */
    record ReadingFileItem(
            String id,
            String name,
            ReadingFileRow.State state,
            long bytes,
            long bytesDone,
            long rowsDone,
            long accepted,
            long duplicates,
            long unknownSensors,
            long rejected,
            List<String> faults,
            @Nullable String words,
            Instant begun,
            @Nullable Instant ended,
            String who) {

        static ReadingFileItem of(ReadingFileRow row) {
            return new ReadingFileItem(
                    Long.toString(row.id),
                    row.name,
                    row.state,
                    row.bytes,
                    row.bytesDone,
                    row.rowsDone,
                    row.accepted,
                    row.duplicates,
                    row.unknownSensors,
                    row.rejected,
                    row.faults == null ? List.of() : List.of(row.faults.split("\n")),
                    row.words,
                    row.begunAt,
                    row.endedAt,
                    row.who);
        }
    }

    record ReadingFileList(List<ReadingFileItem> items) {}

    /** A row as it would be taken. */
    record RowItem(String sensor, Instant at, @Nullable Double pressureKpa, @Nullable Double temperatureC) {}

    /**
     * What the head of a file shows.
     *
     * @param headings of its columns; none for lines of JSON
     * @param columns which of them is what
     * @param shown the first rows as they would be taken
     * @param rows how many rows were looked at
     * @param faults what is wrong with some of them, at most five
     * @param faulty how many of them are at fault
     */
    record ReadingFileLook(
            ReadingFileRow.Format format,
            List<String> headings,
            List<Columns.ColumnItem> columns,
            List<RowItem> shown,
            int rows,
            List<String> faults,
            int faulty) {}

    @PostMapping("/look")
    @Operation(
            operationId = "lookAtReadingFile",
            summary =
                    "The first part of a file of readings: which column is which, and how it would be taken; nothing is stored")
    @RequestBody(
            required = true,
            content =
                    @Content(
                            mediaType = "application/octet-stream",
                            schema = @Schema(type = "string", format = "binary")))
    ReadingFileLook look(
            @RequestParam(required = false) @Nullable String columns,
            @RequestParam(defaultValue = "KPA") PressureUnit pressure,
            @RequestParam(defaultValue = "CELSIUS") TemperatureUnit temperature,
            @RequestParam(defaultValue = "UTC") String timeZone,
            HttpServletRequest request)
            throws IOException {
        try (InputStream in = request.getInputStream()) {
            ReadingFileOpening.Opened opened =
                    opening.openToLook(in, columns, new SheetRows.Units(pressure, temperature, zone(timeZone)));
            return look(opened);
        }
    }

    private static ReadingFileLook look(ReadingFileOpening.Opened opened) {
        List<RowItem> shown = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        int rows = 0;
        int faulty = 0;
        boolean isKnown = opened.columns() == null || opened.columns().missing().isEmpty();
        try {
            while (isKnown && rows < MOST_LOOKED_AT && opened.rows().next()) {
                try {
                    IncomingReading reading = opened.rows().read(rows);
                    if (shown.size() < SHOWN) {
                        shown.add(item(reading));
                    }
                } catch (ReadingFault e) {
                    faulty++;
                    if (faults.size() < SHOWN) {
                        faults.add("row " + opened.format().row(rows) + ": " + e.getMessage());
                    }
                }
                rows++;
            }
        } catch (IOException e) {
            faults.add(String.valueOf(e.getMessage()));
            faulty++;
        }
        return new ReadingFileLook(
                opened.format(),
                opened.sheet() == null ? List.of() : opened.sheet().headings(),
                opened.columns() == null ? List.of() : opened.columns().items(),
                shown,
                rows,
                faults,
                faulty);
    }

    private static RowItem item(IncomingReading incoming) {
        Reading reading = incoming.reading();
        return new RowItem(
                incoming.sensor(),
                Instant.ofEpochMilli(reading.at()),
                Double.isNaN(reading.pressureKpa()) ? null : reading.pressureKpa(),
                Double.isNaN(reading.temperatureC()) ? null : reading.temperatureC());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    @Operation(
            operationId = "sendReadingFile",
            summary = "Have a file of readings taken in: a table (CSV) or one JSON object a line, packed (gzip) or not",
            description =
                    "The answer comes once the file is kept. How far it is stands in the list; after a restart it goes"
                            + " on from where it was, and nothing is stored twice. Rows are judged as if they came now, in their own time.")
    @RequestBody(
            required = true,
            content =
                    @Content(
                            mediaType = "application/octet-stream",
                            schema = @Schema(type = "string", format = "binary")))
    ReadingFileItem send(
            @RequestParam String name,
            @RequestParam(required = false) @Nullable String columns,
            @RequestParam(defaultValue = "KPA") PressureUnit pressure,
            @RequestParam(defaultValue = "CELSIUS") TemperatureUnit temperature,
            @RequestParam(defaultValue = "UTC") String timeZone,
            HttpServletRequest request,
            Principal who) {
        String plain = name.strip();
        Texts.fault(plain, 200, true).ifPresent(wrong -> {
            throw Refusal.badRequest("name", "The name of the file " + wrong);
        });
        SheetRows.Units units = new SheetRows.Units(pressure, temperature, zone(timeZone));
        try (InputStream in = request.getInputStream()) {
            return ReadingFileItem.of(files.existing(files.take(plain, in, columns, units, who.getName())));
        } catch (IOException e) {
            throw Refusal.badRequest("file", "The file broke off on its way. Nothing was stored; send it again.");
        }
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw Refusal.badRequest("timeZone", "\"" + name + "\" is no time zone; write one such as Europe/Dublin.");
        }
    }

    @GetMapping
    @Operation(operationId = "listReadingFiles", summary = "Files of readings and how far they are, the newest first")
    ReadingFileList list() {
        return new ReadingFileList(
                files.list().stream().map(ReadingFileItem::of).toList());
    }

    @DeleteMapping("/{id}")
    @Operation(operationId = "stopReadingFile", summary = "Take in no more of a file; what is stored stays")
    ReadingFileItem stop(@PathVariable String id) {
        long number = QueryParameters.id("file", id);
        files.cancel(number);
        return ReadingFileItem.of(files.existing(number));
    }
}
