package vividcaravan.server.ingest;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;

/** Readings in. The answer comes after what was accepted is on disk and judged. */
@RestController
@RequestMapping("/api/v1/readings")
@Tag(name = "readings")
class ReadingsController {

    private static final long LARGEST_ARRAY = 32L * 1024 * 1024;
    private static final int DEEPEST = 100_000;

    /**
     * Reads on over what another parser would stop at, so that one reading at fault does not spoil its neighbours:
     * not-a-number, endless digits, deep nesting.
     */
    static final JsonMapper TOLERANT = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxNumberLength(Integer.MAX_VALUE)
                            .build())
                    .enable(JsonReadFeature.ALLOW_NON_NUMERIC_NUMBERS)
                    .build())
            .build();

    /**
     * A reading as the OpenAPI document shows it; {@code at} may be epoch milliseconds too.
     *
     * @param moving whether the vehicle moves; where it is left out, the odometer or the vehicle that pulls this one may say so, and
     *     the reading is kept as one that says it
     * @param odometerKm what the odometer shows, km, 0 to 10,000,000; taken for the vehicle whose receiver or sensor it comes from
     */
    record ReadingBody(
            String sensor,
            Instant at,
            @Nullable Double pressureKpa,
            @Nullable Double temperatureC,
            @Nullable Integer batteryMv,
            @Nullable Integer rssiDbm,
            @Nullable Boolean moving,
            @Nullable String receiver,
            @Nullable Double odometerKm) {}

    private final ReadingParser parser;
    private final Inlet inlet;
    private final IngestFigures figures;
    private final ReadingPlaces places;

    ReadingsController(ReadingParser parser, Inlet inlet, IngestFigures figures, ReadingPlaces places) {
        this.parser = parser;
        this.inlet = inlet;
        this.figures = figures;
        this.places = places;
    }

    @PostMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'RECEIVER')")
    @Operation(operationId = "takeReadings", summary = "Readings in; the answer comes once they are on disk and judged")
    @RequestBody(
            required = true,
            content = {
                @Content(
                        mediaType = "application/json",
                        array = @ArraySchema(schema = @Schema(implementation = ReadingBody.class))),
                @Content(mediaType = "application/x-ndjson", schema = @Schema(implementation = ReadingBody.class))
            })
    @ApiResponse(
            responseCode = "200",
            content = @Content(mediaType = "application/json", schema = @Schema(implementation = IngestAnswer.class)))
    ResponseEntity<Object> take(HttpServletRequest request, Authentication who)
            throws IOException, InterruptedException {
        boolean isLines = isLines(request);
        if (!isLines && request.getContentLengthLong() > LARGEST_ARRAY) {
            throw ReadingsIntake.tooLarge();
        }
        try (ReadingPlaces.Place place = places.enter(who, BodyStreams.isPacked(request));
                InputStream in = BodyStreams.unpacked(request)) {
            return take(in, isLines, new ReadingsIntake(TOLERANT, parser, inlet, Receiver.of(who), figures, place));
        } catch (IOException e) {
            return broken("The body breaks off or does not unpack.", Tally.NONE.answer());
        }
    }

    private static ResponseEntity<Object> take(InputStream in, boolean isLines, ReadingsIntake intake) {
        try {
            if (isLines) {
                intake.takeLines(in);
            } else {
                intake.takeArray(BodyStreams.bounded(in, LARGEST_ARRAY));
            }
            return ResponseEntity.ok(intake.answer());
        } catch (BodyStreams.TooLarge e) {
            throw ReadingsIntake.tooLarge();
        } catch (ReadingsIntake.BrokenBody e) {
            return broken(e.getMessage(), intake.answer());
        }
    }

    private static boolean isLines(HttpServletRequest request) {
        MediaType type;
        try {
            type = request.getContentType() == null ? null : MediaType.parseMediaType(request.getContentType());
        } catch (org.springframework.http.InvalidMediaTypeException e) {
            type = null;
        }
        if (type != null && type.getType().equals("application")) {
            if (type.getSubtype().equals("x-ndjson")) {
                return true;
            }
            if (type.getSubtype().equals("json")) {
                return false;
            }
        }
        throw Refusal.unsupported("Send readings as application/json (an array) or application/x-ndjson (one a line).");
    }

    private static ResponseEntity<Object> broken(String message, IngestAnswer counts) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, message);
        problem.setProperty("errors", List.of());
        problem.setProperty("accepted", counts.accepted());
        problem.setProperty("duplicates", counts.duplicates());
        problem.setProperty("unknownSensors", counts.unknownSensors());
        problem.setProperty("rejected", counts.rejected());
        problem.setProperty("rejectedTotal", counts.rejectedTotal());
        return ResponseEntity.badRequest()
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }
}
