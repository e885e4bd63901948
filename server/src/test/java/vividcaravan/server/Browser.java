package vividcaravan.server;

import java.io.IOException;
import java.io.InputStream;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Optional;

/** A browser: keeps cookies and sends the guard against cross-site requests. */
public final class Browser {

    private final Door door;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    /** Whether the guard is sent. */
    public boolean isGuarded = true;

    public Browser(Door door) {
        this.door = door;
    }

    public HttpResponse<String> send(String method, String path, String body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(door.address + path))
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body))
                .header("Content-Type", "application/json");
        if (isGuarded) {
            cookie("XSRF-TOKEN").ifPresent(c -> request.header("X-XSRF-TOKEN", c.getValue()));
        }
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    /** Opens a stream; the caller closes it. */
    public HttpResponse<InputStream> open(String path) {
        return opened(HttpRequest.newBuilder(URI.create(door.address + path)));
    }

    /** The same with an authorization of its own. */
    public HttpResponse<InputStream> openWith(String path, String authorization) {
        return opened(HttpRequest.newBuilder(URI.create(door.address + path)).header("Authorization", authorization));
    }

    private HttpResponse<InputStream> opened(HttpRequest.Builder request) {
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    public HttpResponse<String> get(String path) {
        return send("GET", path, null);
    }

    public Optional<HttpCookie> cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(c -> c.getName().equals(name))
                .findFirst();
    }

    public HttpResponse<String> signIn(String userName, String password) {
        send("GET", "/api/v1/session", null);
        return send("POST", "/api/v1/session", "{\"userName\":\"" + userName + "\",\"password\":\"" + password + "\"}");
    }
}
