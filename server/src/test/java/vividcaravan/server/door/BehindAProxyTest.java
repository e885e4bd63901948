package vividcaravan.server.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Where a proxy with a certificate stands before the product. */
@Tag("long")
class BehindAProxyTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");

    @TempDir
    Path folder;

    private static Door.Answer signIn(Door door, String userName, String forwardedFor) {
        return door.withToken(null)
                .send(
                        "POST",
                        "/api/v1/session",
                        "{\"userName\":\"%s\",\"password\":\"a wrong one here\"}"
                                .formatted(userName)
                                .getBytes(),
                        Map.of(
                                "Content-Type", "application/json",
                                "Cookie", "XSRF-TOKEN=a",
                                "X-XSRF-TOKEN", "a",
                                "X-Forwarded-For", forwardedFor));
    }

    @Test
    void theClientsOfATrustedProxyHaveAddressesOfTheirOwn() {
        try (OwnProduct product = OwnProduct.in(folder, NOW, "--vivid.trusted-proxies=127.0.0.1,::1,10.1.0.0/16")) {
            for (int i = 0; i < 6; i++) {
                signIn(product.door(), "quill", "203.0.113.7");
            }

            assertThat(signIn(product.door(), "quill", "203.0.113.7").status()).isEqualTo(429);
            assertThat(signIn(product.door(), "quill", "198.51.100.2").status()).isEqualTo(401);
            // What stands before the nearest that is not trusted is said by that one, and may be invented.
            assertThat(signIn(product.door(), "quill", "192.0.2.99, 203.0.113.7")
                            .status())
                    .isEqualTo(429);
            assertThat(signIn(product.door(), "quill", "203.0.113.7, 10.1.2.3").status())
                    .isEqualTo(429);
        }
    }

    @Test
    void withoutATrustedProxyNobodyChoosesAnAddress() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            for (int i = 0; i < 6; i++) {
                signIn(product.door(), "quill", "203.0.113." + i);
            }

            assertThat(signIn(product.door(), "quill", "203.0.113.99").status()).isEqualTo(429);
        }
    }

    @Test
    void whereThePublicAddressIsSecretCookiesGoByNoOtherAndBrowsersAreToldSo() {
        try (OwnProduct product = OwnProduct.in(folder, NOW, "--vivid.public-url=https://tyres.example.org")) {
            Door door = product.door();
            door.postJson(
                    "/api/v1/accounts",
                    "{\"userName\":\"quill\",\"displayName\":\"Q\",\"role\":\"VIEWER\",\"password\":\"four words in a row\"}");

            Door.Answer page = door.withToken(null).get("/sign-in");
            Door.Answer in = door.withToken(null)
                    .send(
                            "POST",
                            "/api/v1/session",
                            "{\"userName\":\"quill\",\"password\":\"four words in a row\"}".getBytes(),
                            Map.of(
                                    "Content-Type", "application/json",
                                    "Cookie", "XSRF-TOKEN=a",
                                    "X-XSRF-TOKEN", "a"));

            assertThat(in.status()).as(in.text()).isEqualTo(200);
            assertThat(in.headers().allValues("Set-Cookie")).isNotEmpty().allSatisfy(cookie -> assertThat(cookie)
                    .contains("; Secure"));
            assertThat(page.headers().firstValue("Strict-Transport-Security"))
                    .hasValueSatisfying(value -> assertThat(value).contains("max-age="));
        }
    }

    @Test
    void overPlainHttpNothingIsPromisedThatWouldLockPeopleOut() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            Browser browser = new Browser(product.door().withToken(null));

            assertThat(browser.get("/sign-in").headers().firstValue("Strict-Transport-Security"))
                    .isEmpty();
            assertThat(browser.cookie("XSRF-TOKEN").orElseThrow().getSecure()).isFalse();
        }
    }

    @Test
    void aLinkInAMailNeverHasTheAddressThatARequestClaims() {
        try (OwnProduct product = OwnProduct.in(
                folder, NOW, "--vivid.mail.host=localhost", "--vivid.mail.port=1", "--vivid.mail.security=NONE")) {
            Door.Answer answer =
                    product.door().postJson("/api/v1/invitations", "{\"email\":\"n@example.org\",\"role\":\"VIEWER\"}");

            assertThat(answer.status()).isEqualTo(409);
            assertThat(answer.text()).contains("VIVID_PUBLIC_URL");
            assertThat(product.door().get("/api/v1/outbox").json().get("items")).isEmpty();
        }
    }
}
