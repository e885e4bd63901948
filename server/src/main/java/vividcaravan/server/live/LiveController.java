package vividcaravan.server.live;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import vividcaravan.server.alerts.AlertItem;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.ReaderUnits;

@RestController
@Tag(name = "live")
class LiveController {

    private final LiveStreams streams;
    private final ReaderUnits units;
    private final VisibleFleet visible;

    LiveController(LiveStreams streams, ReaderUnits units, VisibleFleet visible) {
        this.streams = streams;
        this.units = units;
        this.visible = visible;
    }

    @GetMapping(path = "/api/v1/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Operation(operationId = "live", summary = "Server-sent events: alert and wheel")
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.TEXT_EVENT_STREAM_VALUE,
                            schema = @Schema(anyOf = {AlertItem.class, WheelEvent.class})))
    ResponseEntity<ResponseBodyEmitter> live(
            @RequestHeader(name = "Last-Event-ID", required = false) @Nullable String lastEventId, Authentication who) {
        // A proxy that gathers the stream before it passes it on would make it late.
        return ResponseEntity.ok()
                .header("X-Accel-Buffering", "no")
                .header("Cache-Control", "no-store")
                .contentType(MediaType.TEXT_EVENT_STREAM)
                .body(streams.open(ReaderKey.of(who), lastEventId, units.words(), visible.seesFromNowOn()));
    }
}
