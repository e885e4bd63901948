package vividcaravan.server.texts;

import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.platform.Refusal;

/** The service that sends text messages for us, by HTTP. */
@Component
class TextService {

    private static final Duration PATIENCE = Duration.ofSeconds(10);
    private static final int LONGEST_URL = 1_000;
    private static final int MILLIS_OF_SECOND = 1_000;
    private static final int HUNDRED = 100;

    private final TextSettings settings;
    private final JsonMapper json;
    private final Clock clock;
    /** Goes where it was told and nowhere else. */
    private final HttpClient http = HttpClient.newBuilder()
            .connectTimeout(PATIENCE)
            .followRedirects(HttpClient.Redirect.NEVER)
            .version(HttpClient.Version.HTTP_1_1)
            .build();

    TextService(TextSettings settings, JsonMapper json, Clock clock) {
        this.settings = settings;
        this.json = json;
        this.clock = clock;
    }

    /** What is told, as the body of the call. */
    record Told(String id, String to, String text) {}

    /**
     * An address in the form in which it is kept.
     *
     * @throws Refusal if it is none, or inside where nothing outside may be reached from
     */
    String address(@Nullable String given) {
        String text = given == null ? "" : given.strip();
        try {
            URI uri = new URI(text);
            boolean isWeb = "https".equals(uri.getScheme()) || "http".equals(uri.getScheme());
            if (isWeb && uri.getHost() != null && uri.getUserInfo() == null && text.length() <= LONGEST_URL) {
                Optional<String> inside = inside(uri.getHost());
                if (inside.isPresent()) {
                    throw Refusal.badRequest("url", inside.get());
                }
                return text;
            }
        } catch (URISyntaxException e) {
            // Told below, in our words.
        }
        throw Refusal.badRequest(
                "url", "\"" + text + "\" is no address of a service. It looks like https://texts.example.org/send.");
    }

    /** Why a host may not be called, if it may not. */
    private Optional<String> inside(String host) {
        if (settings.allowInside()) {
            return Optional.empty();
        }
        try {
            for (InetAddress address : InetAddress.getAllByName(host)) {
                if (InsideAddress.isOne(address)) {
                    return Optional.of("\"" + host + "\" is on this machine or in its own network segment, which is not"
                            + " called. Choose a service outside, or set VIVID_TEXTS_ALLOW_INSIDE=true.");
                }
            }
            return Optional.empty();
        } catch (UnknownHostException e) {
            return Optional.of("Nobody knows the host \"" + host + "\". Look at how it is written.");
        }
    }

    /**
     * Tells the service of a message; the same message carries the same identity each time.
     *
     * @return what went wrong, or empty if the service took it
     */
    Optional<String> tell(WebhookRow webhook, Told told) {
        URI uri = URI.create(webhook.url);
        // Names may lead elsewhere than when they were entered.
        Optional<String> inside = inside(uri.getHost());
        if (inside.isPresent()) {
            return inside;
        }
        String body = json.writeValueAsString(told);
        long seconds = clock.millis() / MILLIS_OF_SECOND;
        String signature = "v1=" + Signature.of(webhook.secret, seconds, body)
                + (webhook.secretBefore == null ? "" : ",v1=" + Signature.of(webhook.secretBefore, seconds, body));
        HttpRequest request = HttpRequest.newBuilder(uri)
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", told.id())
                .header("Vivid-Timestamp", Long.toString(seconds))
                .header("Vivid-Signature", signature)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        // The time-out of a request ends with its head; a body that drips would be waited for without end.
        CompletableFuture<HttpResponse<Void>> under = http.sendAsync(request, HttpResponse.BodyHandlers.discarding());
        try {
            int status = under.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS).statusCode();
            return status / HUNDRED == 2 ? Optional.empty() : Optional.of("The service answered " + status + ".");
        } catch (TimeoutException e) {
            return Optional.of("The service did not answer to the end within " + PATIENCE.toSeconds() + " seconds.");
        } catch (ExecutionException e) {
            Throwable cause = e.getCause() == null ? e : e.getCause();
            String said = cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage();
            return Optional.of("The service could not be reached: " + said);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.of("The product was ending.");
        } finally {
            under.cancel(true);
        }
    }
}
