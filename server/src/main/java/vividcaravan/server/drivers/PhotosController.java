package vividcaravan.server.drivers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.alerts.AlertQueries;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;

/** Photographs that drivers send of what they see. */
@RestController
@RequestMapping("/api/v1/alerts/{id}/photos")
@Tag(name = "alerts")
class PhotosController {

    private static final int LARGEST = 1024 * 1024;
    private static final int LARGEST_AS_TEXT = 1_400_000;
    private final AlertActions actions;
    private final AlertQueries alerts;
    private final ReaderUnits units;
    private final SessionFactory sessions;
    private final Clock clock;

    PhotosController(
            AlertActions actions, AlertQueries alerts, ReaderUnits units, SessionFactory sessions, Clock clock) {
        this.actions = actions;
        this.alerts = alerts;
        this.units = units;
        this.sessions = sessions;
        this.clock = clock;
    }

    /** A photograph: a JPEG of 1 MB at most, in base 64. */
    record PhotoRequest(@AtMost(LARGEST_AS_TEXT) @Nullable String jpeg) {}

    /** Under which number it is kept. */
    record PhotoKept(String number) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasRole('DRIVER')")
    @Operation(operationId = "sendPhoto", summary = "Send as the driver a photograph of what is to be seen")
    PhotoKept send(@PathVariable String id, @RequestBody PhotoRequest request, Principal who) {
        long alert = inSight(id);
        PhotoRow row = new PhotoRow();
        row.jpeg = jpeg(request.jpeg());
        row.alertId = alert;
        row.takenBy = who.getName();
        row.takenAt = clock.instant();
        actions.photograph(alert, who.getName(), pen -> {
            row.number = Math.toIntExact(count(pen.session(), alert) + 1);
            pen.session().insert(row);
            return List.of();
        });
        return new PhotoKept(Integer.toString(row.number));
    }

    @GetMapping(path = "/{number}", produces = MediaType.IMAGE_JPEG_VALUE)
    @Operation(operationId = "getPhoto", summary = "A photograph that a driver sent")
    ResponseEntity<byte[]> get(@PathVariable String id, @PathVariable String number) {
        long alert = inSight(id);
        try (StatelessSession session = sessions.openStatelessSession()) {
            PhotoRow row = session.createSelectionQuery(
                            "from PhotoRow where alertId = :alert and number = :number", PhotoRow.class)
                    .setParameter("alert", alert)
                    .setParameter("number", (int) QueryParameters.id("photograph", number))
                    .uniqueResultOptional()
                    .orElseThrow(() -> Refusal.notFound("There is no photograph " + number + " of this alert."));
            return ResponseEntity.ok()
                    .contentType(MediaType.IMAGE_JPEG)
                    // Phones are shared: nothing of it stays there once somebody signs out.
                    .cacheControl(CacheControl.noStore())
                    .body(row.jpeg);
        }
    }

    private static long count(StatelessSession session, long alert) {
        return session.createSelectionQuery("select count(*) from PhotoRow where alertId = :alert", Long.class)
                .setParameter("alert", alert)
                .getSingleResult();
    }

    /** A driver sends and sees only where they may read. */
    private long inSight(String id) {
        long number = QueryParameters.id("alert", id);
        alerts.detail(number, units.words()).orElseThrow(() -> Refusal.notFound("There is no alert " + id + "."));
        return number;
    }

    private static byte[] jpeg(@Nullable String text) {
        try {
            byte[] bytes = Base64.getDecoder().decode(text == null ? "" : text);
            Optional<byte[]> plain = bytes.length <= LARGEST ? Photograph.plain(bytes, LARGEST) : Optional.empty();
            if (plain.isPresent()) {
                return plain.get();
            }
        } catch (IllegalArgumentException e) {
            // Told below.
        }
        throw Refusal.badRequest("jpeg", "Send a JPEG of 1 MB and 16 million points at most, in base 64.");
    }
}
