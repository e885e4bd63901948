package vividcaravan.server.document;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.JacksonIOException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;

/** Fleet in, fleet out: the same document both ways. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "fleet")
class FleetDocumentController {

    private static final long LARGEST = 64L * 1024 * 1024;
    /** Names, values and brackets: a few packed kilobytes can hold millions, each of which takes memory. */
    private static final long MOST_TOKENS = 4_000_000;

    /** A name given twice or text behind the document is a mistake of its writer, not to be passed over. */
    private static final JsonMapper STRICT = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(50)
                            .maxNumberLength(400)
                            .maxStringLength(10_000)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    private final DocumentIntake register;
    private final FleetExport export;
    private final Semaphore one = new Semaphore(1, true);

    FleetDocumentController(DocumentIntake register, FleetExport export) {
        this.export = export;
        this.register = register;
    }

    @PostMapping("/fleet-imports")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "importFleet", summary = "Take in a fleet document, whole or not at all")
    @RequestBody(
            required = true,
            content = @Content(mediaType = "application/json", schema = @Schema(implementation = FleetDocument.class)))
    DocumentIntake.Imported take(HttpServletRequest request) throws IOException, InterruptedException {
        // A large document takes much memory while it is looked through, so that goes one by one.
        if (!one.tryAcquire(5, TimeUnit.SECONDS)) {
            throw Refusal.busy("Another fleet document is being taken in. Send this one again in a few seconds.");
        }
        try {
            return register.take(read(request));
        } finally {
            one.release();
        }
    }

    private static JsonNode read(HttpServletRequest request) throws IOException {
        try (InputStream in = BodyStreams.bounded(BodyStreams.unpacked(request), LARGEST)) {
            JsonNode document = STRICT.readTree(in);
            if (document == null || document.isMissingNode()) {
                throw Refusal.badRequest("The body is empty. Send a fleet document as JSON.", List.of());
            }
            return document;
        } catch (BodyStreams.TooLarge e) {
            throw tooLarge();
        } catch (JacksonIOException e) {
            if (e.getCause() instanceof BodyStreams.TooLarge) {
                throw tooLarge();
            }
            throw Refusal.badRequest("The body breaks off or does not unpack; nothing was changed.", List.of());
        } catch (StreamConstraintsException e) {
            boolean hasTooManyParts = String.valueOf(e.getOriginalMessage()).contains("Token count");
            if (hasTooManyParts) {
                throw Refusal.tooLarge(
                        "The document has more parts than can be taken at once. Send the fleet in several;"
                                + " nothing was changed.");
            }
            throw Refusal.badRequest(
                    "The document is nested more deeply, or has a longer text or number, than a fleet's. Nothing was"
                            + " changed.",
                    List.of());
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            throw Refusal.badRequest(
                    "The body cannot be read as JSON" + where + ": " + e.getOriginalMessage()
                            + ". Nothing was changed.",
                    List.of());
        } catch (IOException e) {
            throw Refusal.badRequest("The body breaks off or does not unpack; nothing was changed.", List.of());
        }
    }

    private static Refusal tooLarge() {
        return Refusal.tooLarge("A fleet document may have 64 MB. Send the fleet in parts.");
    }

    @GetMapping("/fleet-export")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "exportFleet",
            summary =
                    "The whole fleet as a document; with history=true also where sensors and tyres were, moves, couplings")
    FleetDocument export(@RequestParam(required = false) @Nullable String history) {
        return export.document("true".equals(history));
    }
}
