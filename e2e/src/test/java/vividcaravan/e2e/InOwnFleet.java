package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;

/**
 * Tests with vehicles and readings as they need them, in a product that is empty but for its first manager. All that run in
 * one process share it, so each names vehicles that no other names; a class that restarts it, or fills it, has its own.
 */
abstract class InOwnFleet extends InBrowser {

    static final String PASSWORD = "four words in a row";

    private static Product shared;

    Product product;
    private Path ownFolder;

    /** Whether others must not be in it too. */
    boolean isAlone() {
        return false;
    }

    @BeforeAll
    void startEmpty() {
        if (isAlone()) {
            ownFolder = Product.newFolder();
            product = startedIn(ownFolder);
        } else {
            product = sharedByAll();
        }
    }

    private synchronized Product sharedByAll() {
        if (shared == null) {
            Path folder = Product.newFolder();
            shared = startedIn(folder);
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                shared.kill();
                Product.deleteFolder(folder);
            }));
        }
        return shared;
    }

    private Product startedIn(Path folder) {
        Product started = Product.startWithToken(folder);
        Page page = newPage(started.address);
        page.navigate(started.waitForLog("(/set-up#\\S+)"));
        fill(page, "User name", "wren");
        fill(page, "Your name", "A. Wren");
        fill(page, "Password", PASSWORD);
        button(page, "Make the account").click();
        assertThat(page).hasURL(Pattern.compile(".*/desk.*"));
        return started;
    }

    /** Starts what was killed again, at the same address; only where no other test is in it. */
    void restart() {
        String port = Integer.toString(product.port);
        product = Product.start(ownFolder, Map.of("VIVID_API_TOKEN", Product.TOKEN, "SERVER_PORT", port));
    }

    @AfterAll
    void stop() {
        if (isAlone()) {
            product.close();
            Product.deleteFolder(ownFolder);
        }
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    static void fill(Page page, String label, String text) {
        page.getByLabel(label).first().fill(text);
    }

    Page signedIn(int width, int height) {
        return signedInAs("wren", width, height);
    }

    Page signedInAs(String name, int width, int height) {
        Page page = newPage(product.address, width, height, ColorScheme.LIGHT);
        page.navigate("/sign-in");
        fill(page, "User name", name);
        page.getByLabel("Password").fill(PASSWORD);
        button(page, "Sign in").click();
        assertThat(page).hasURL(Pattern.compile(".*/desk.*"));
        return page;
    }

    static Locator choice(Page page, String group, String words) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName(group))
                .getByRole(
                        AriaRole.RADIO,
                        new Locator.GetByRoleOptions().setName(words).setExact(true));
    }

    static void press(Locator at, String key, int times) {
        at.focus();
        for (int i = 0; i < times; i++) {
            at.press(key);
        }
    }

    /** Which sensor is in which tyre, and what is in the tyre. */
    static final class Tyres {
        final Map<String, String> codes = new LinkedHashMap<>();
        final Map<String, Double> kpa = new LinkedHashMap<>();

        Tyres(String prefix, String... positions) {
            for (String position : positions) {
                codes.put(position, "%s%02d".formatted(prefix, codes.size() + 10));
                kpa.put(position, position.startsWith("1") ? 850.0 : 780.0);
            }
        }
    }

    void hear(Tyres tyres) {
        hear(product, Product.TOKEN, tyres);
    }

    static void hear(Product product, String token, Tyres tyres) {
        String now = Instant.now().toString();
        product.readings(
                token,
                tyres.codes.entrySet().stream()
                        .map(tyre ->
                                "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":20,\"rssiDbm\":-60}"
                                        .formatted(tyre.getValue(), now, tyres.kpa.get(tyre.getKey())))
                        .collect(Collectors.joining(",", "[", "]")));
    }

    void enter(String job, String kind, String position, String data) {
        HttpResponse<String> answer = product.post(
                "/api/v1/jobs/" + job + "/entries",
                Product.TOKEN,
                "application/json",
                "{\"entries\":[{\"key\":\"%s\",\"kind\":\"%s\",\"position\":\"%s\",\"data\":%s}]}"
                        .formatted(UUID.randomUUID(), kind, position, data));
        if (!answer.body().contains("\"STORED\"")) {
            throw new AssertionError(answer.statusCode() + " " + answer.body());
        }
    }

    String describedVehicle(String ref) {
        product.post(
                "/api/v1/vehicles",
                Product.TOKEN,
                "application/json",
                """
                { "ref": "%s", "kind": "RIGID_TRUCK", "axles": [
                  { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                  { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 780 } ] }"""
                        .formatted(ref));
        HttpResponse<String> job = product.post(
                "/api/v1/jobs",
                Product.TOKEN,
                "application/json",
                "{ \"vehicle\": \"" + ref + "\", \"mount\": \"STRAP\" }");
        return job.body().replaceFirst("(?s).*?\"id\":\"(\\d+)\".*", "$1");
    }
}
