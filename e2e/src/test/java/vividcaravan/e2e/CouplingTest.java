package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Vehicles are coupled and uncoupled: by hearing, at the desk, and by the driver's phone. */
class CouplingTest extends InOwnFleet {

    private void bringIn(String ref, String kind, String role, String code) {
        String document =
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "%s", "kind": "%s",
                  "axles": [ { "role": "%s", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" } ] } ] }"""
                        .formatted(ref, kind, role, code);
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", document)
                        .statusCode())
                .isEqualTo(200);
    }

    /** What a receiver hears minute by minute up to {@code endsAgo}. */
    private void hear(String receiver, Duration begunAgo, Duration endsAgo, String... sensors) {
        Instant now = Instant.now();
        List<String> readings = new ArrayList<>();
        Instant last = now.minus(endsAgo);
        for (Instant at = now.minus(begunAgo); at.isBefore(last); at = at.plusSeconds(60)) {
            for (String sensor : sensors) {
                readings.add(
                        ("{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":850,\"temperatureC\":20,\"moving\":true,"
                                        + "\"receiver\":\"%s\"}")
                                .formatted(sensor, at, receiver));
            }
        }
        assertThat(product.post(
                                "/api/v1/readings",
                                Product.TOKEN,
                                "application/json",
                                "[" + String.join(",", readings) + "]")
                        .statusCode())
                .isEqualTo(200);
    }

    /** A button of which a part is for those who listen. */
    private static Locator spoken(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    @Test
    void aTrailerThatIsHeardOnTheRoadIsAskedForCoupledAndUncoupledByHearing() {
        bringIn("CP-01", "TRACTOR_UNIT", "STEER", "CA0001");
        bringIn("CP-02", "SEMI_TRAILER", "TRAILER", "CA0002");
        product.put("/api/v1/receivers/cab-cp-01", Product.TOKEN, "{\"vehicle\":\"CP-01\"}");
        hear("cab-cp-01", Duration.ofMinutes(5), Duration.ZERO, "CA0001", "CA0002");
        Page page = signedIn(1280, 900);
        page.navigate("/vehicles/CP-01");
        assertThat(page.getByText("CP-02 has been heard with CP-01 on the road"))
                .isVisible();
        spoken(page, "^Yes\\W+CP-02 hangs behind CP-01").click();
        assertThat(page.getByText("One combination: CP-01 → CP-02")).isVisible();
        assertThat(page.getByRole(
                        AriaRole.GROUP, new Page.GetByRoleOptions().setName(Pattern.compile("Wheels of CP-02"))))
                .isVisible();
        button(page, "Uncouple CP-02 from CP-01").click();
        assertThat(page.getByText("Who pulled whom before (1)")).isVisible();

        bringIn("CP-03", "TRACTOR_UNIT", "STEER", "CA0003");
        bringIn("CP-04", "SEMI_TRAILER", "TRAILER", "CA0004");
        product.put("/api/v1/receivers/cab-cp-03", Product.TOKEN, "{\"vehicle\":\"CP-03\"}");
        hear("cab-cp-03", Duration.ofMinutes(90), Duration.ofMinutes(60), "CA0003", "CA0004");
        page.navigate("/vehicles/CP-04");
        assertThat(page.getByText("heard together on the road").first()).isVisible();
        hear("cab-cp-03", Duration.ofMinutes(30), Duration.ZERO, "CA0003");
        page.reload();
        assertThat(page.getByText("Who pulled whom before (1)")).isVisible();
        assertThat(page.getByText("One combination")).not().isVisible();
    }

    @Test
    void aDriverHooksATrailerUpAndLeavesItAgain() {
        bringIn("CP-11", "TRACTOR_UNIT", "STEER", "CB0001");
        bringIn("CP-12", "SEMI_TRAILER", "TRAILER", "CB0002");
        product.post(
                "/api/v1/accounts",
                Product.TOKEN,
                "application/json",
                "{\"userName\":\"hook-driver\",\"displayName\":\"O. Tansley\",\"role\":\"DRIVER\",\"password\":\"%s\"}"
                        .formatted(PASSWORD));
        product.put("/api/v1/accounts/hook-driver/vehicles", Product.TOKEN, "{\"vehicles\":[\"CP-11\"]}");
        Page phone = newPage(product.address, 390, 844, ColorScheme.LIGHT);
        phone.navigate("/sign-in");
        fill(phone, "User name", "hook-driver");
        phone.getByLabel("Password").fill(PASSWORD);
        button(phone, "Sign in").click();

        spoken(phone, "^I have hooked up a trailer").click();
        phone.getByLabel("Which one?").selectOption("CP-12");
        button(phone, "It hangs behind").click();
        assertThat(phone.getByText("CP-11 → CP-12")).isVisible();
        // What hangs behind is theirs to see now.
        phone.navigate("/vehicles/CP-12");
        assertThat(phone.getByText("the driver said so (O. Tansley)")).isVisible();

        phone.navigate("/desk");
        button(phone, "Uncoupled: CP-12").click();
        assertThat(phone.getByText("Nothing, as far as is known.")).isVisible();
    }

    @Test
    void whatSpeaksAgainstATrailerHoldsItsTractorAtTheGate() {
        bringIn("CP-21", "TRACTOR_UNIT", "STEER", "CC0001");
        bringIn("CP-22", "SEMI_TRAILER", "TRAILER", "CC0002");
        hear("gate-of-tests", Duration.ofMinutes(5), Duration.ZERO, "CC0001");
        Page page = signedIn(1280, 900);
        page.navigate("/vehicles/CP-21");
        button(page, "Couple a trailer").click();
        page.getByLabel("What hangs behind CP-21?").selectOption("CP-22");
        button(page, "Couple it").click();
        assertThat(page.getByText("One combination: CP-21 → CP-22")).isVisible();

        page.navigate("/gate");
        assertThat(page.getByText("CP-22: 1L was never heard").first()).isVisible();

        page.navigate("/stores/receivers");
        spoken(page, "[Cc]hange gate-of-tests").click();
        page.getByLabel("Lives on").selectOption("MAINS");
        button(page, "Store it").click();
        assertThat(page.getByRole(
                        AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("gate-of-tests.*mains"))))
                .isVisible();
    }
}
