package vividcaravan.server.texts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.VividProperties;

/** Text messages, and the service that sends them. */
@RestController
@RequestMapping("/api/v1/texts")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "team")
class TextsController {

    private final Texts texts;
    private final boolean isDemo;

    TextsController(Texts texts, VividProperties properties) {
        this.texts = texts;
        this.isDemo = properties.demo();
    }

    /**
     * @param url of the service that sends, or null where there is none
     * @param hasOldSecret whether the secret before the last change still signs
     * @param isDemo whether nothing leaves, and messages are to be read here
     */
    record TextList(@Nullable String url, boolean hasOldSecret, boolean isDemo, List<Texts.Text> items) {}

    @GetMapping
    @Operation(operationId = "listTexts", summary = "The text messages that were written, the newest first")
    TextList list() {
        WebhookRow webhook = texts.webhook().orElse(null);
        return new TextList(
                webhook == null ? null : webhook.url,
                webhook != null && webhook.secretBefore != null,
                isDemo,
                texts.newest());
    }

    /** Where the service is told. */
    record WebhookRequest(@Nullable String url) {}

    /** The secret by which the service knows us; it is shown this once. */
    record WebhookSecret(String secret) {}

    @PutMapping("/service")
    @Operation(operationId = "setTextService", summary = "Set which service sends text messages")
    WebhookSecret use(@RequestBody WebhookRequest request) {
        return new WebhookSecret(texts.use(request.url()));
    }

    @PostMapping("/service/secrets")
    @Operation(
            operationId = "rotateTextSecret",
            summary = "Give the service a new secret; the old one signs too until it is dropped")
    WebhookSecret rotate() {
        return new WebhookSecret(texts.rotate());
    }

    @DeleteMapping("/service/secrets/old")
    @Operation(operationId = "dropTextSecret", summary = "Sign with the new secret only")
    TextList drop() {
        texts.dropOldSecret();
        return list();
    }

    @DeleteMapping("/service")
    @Operation(operationId = "removeTextService", summary = "Send no more text messages")
    TextList stop() {
        texts.stop();
        return list();
    }

    @PostMapping("/{id}/tries")
    @Operation(operationId = "sendTextAgain", summary = "Try again to send what was given up")
    TextList sendAgain(@PathVariable String id) {
        texts.sendAgain(QueryParameters.id("text message", id));
        return list();
    }
}
