package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Work beside a vehicle where there is no signal: kept on the phone, and sent later. */
class NoSignalTest extends InOwnFleet {

    private static final String SENT = "**/{entries,reasons}";

    /** No signal. The browser takes a moment to cut a newly loaded page off, so what is sent is also stopped by itself. */
    private static void cutOff(Page page) {
        page.route(SENT, Route::abort);
        page.context().setOffline(true);
    }

    private static void reconnect(Page page) {
        page.unroute(SENT);
        page.context().setOffline(false);
    }

    private static void reloadOffline(Page page) {
        page.reload();
        page.waitForCondition(() -> Boolean.FALSE.equals(page.evaluate("() => navigator.onLine")));
    }

    @Test
    void whatIsEnteredWithoutASignalIsKeptOnThePhoneAndSentLater() {
        String job = describedVehicle("LM-62");
        Tyres tyres = new Tyres("5C1A", "1L", "2LO", "2LI", "2RO", "2RI", "1R");
        hear(tyres);
        Page page = signedIn(390, 844);
        page.navigate("/workshop/jobs/" + job);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pair")))
                .click();
        // The service worker is in charge from the second visit on.
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
        page.reload();
        assertThat(page.getByText("all stored")).isVisible();

        cutOff(page);
        reloadOffline(page);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pair")))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("axle 1 left")))
                .isVisible();
        Locator field = page.getByLabel("Scan the label, type the code, or take it from those heard");
        field.fill(tyres.codes.get("1L"));
        field.press("Enter");
        assertThat(page.getByText("1 waiting for signal, kept on this device")).isVisible();
        field.fill(tyres.codes.get("2LO"));
        field.press("Enter");
        assertThat(page.getByText("2 waiting for signal, kept on this device")).isVisible();
        reloadOffline(page);
        assertThat(page.getByText("2 waiting for signal, kept on this device")).isVisible();

        // Meanwhile somebody else takes another sensor for one of these wheels.
        enter(job, "PAIRED", "2LO", "{\"code\":\"" + tyres.codes.get("2LI") + "\"}");
        reconnect(page);
        assertThat(page.getByText("entered something else for axle 2 left outer"))
                .isVisible();
        button(page, "Mine is meant: axle 2 left outer, sensor taken").click();
        assertThat(page.getByText("entered something else")).hasCount(0);
        assertThat(page.getByText("all stored")).isVisible();
        String record = product.get("/api/v1/jobs/" + job, Product.TOKEN).body();
        if (!record.contains("\"code\":\"" + tyres.codes.get("1L") + "\"")
                || !record.contains("\"code\":\"" + tyres.codes.get("2LO") + "\"")) {
            throw new AssertionError(record);
        }
    }

    @Test
    void aPressureRoundGoesOnWithoutASignal() {
        describedVehicle("LM-65");
        Page page = signedIn(390, 844);
        page.navigate("/workshop");
        page.getByLabel("Add a vehicle").fill("LM-65");
        page.getByLabel("Add a vehicle").press("Enter");
        button(page, "Begin the round").click();
        assertThat(page.getByText("6 wheels are left.")).isVisible();
        // The service worker is in charge from the second visit on.
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
        page.reload();
        assertThat(page.getByText("6 wheels are left.")).isVisible();

        cutOff(page);
        reloadOffline(page);
        button(page, "It stays so: axle 1 left of LM-65").click();
        button(page, "not reachable today").click();
        assertThat(page.getByText("1 waiting for signal, kept on this device")).isVisible();
        assertThat(page.getByText("5 wheels are left.")).isVisible();
        reloadOffline(page);
        assertThat(page.getByText("1 waiting for signal, kept on this device")).isVisible();

        reconnect(page);
        assertThat(page.getByText("waiting for signal")).hasCount(0);
        assertThat(page.getByText("not reachable today, wren")).isVisible();
        button(page, "Give the round up").click();
        assertThat(page.getByText("with 5 left.")).isVisible();
    }

    @Test
    void whatWasSetWithoutASignalIsRecordedLater() {
        Tyres tyres = inService("LM-66", "5D4C", "1L", "1R");
        tyres.kpa.replaceAll((position, kpa) -> 790.0);
        hear(tyres);
        Page page = signedIn(390, 844);
        page.navigate("/workshop");
        page.getByLabel("Add a vehicle").fill("LM-66");
        page.getByLabel("Add a vehicle").press("Enter");
        button(page, "Begin the round").click();
        assertThat(page.getByText("2 wheels are left.")).isVisible();
        // The service worker is in charge from the second visit on.
        page.evaluate("() => navigator.serviceWorker.ready.then(() => true)");
        page.reload();
        Locator set = button(page, "I set it: axle 1 left of LM-66");
        assertThat(set).isVisible();

        cutOff(page);
        reloadOffline(page);
        set.click();
        page.getByLabel("Hand gauge before").fill("791");
        page.getByLabel("Hand gauge after").fill("851");
        page.getByLabel("Note").fill("at the far gate");
        button(page, "Record it").click();
        assertThat(page.getByText("1 waiting for signal, kept on this device")).isVisible();
        reloadOffline(page);
        assertThat(page.getByText("1 waiting for signal, kept on this device")).isVisible();
        assertThat(page.getByText("Set from 791 kPa to 851 kPa")).isVisible();

        reconnect(page);
        assertThat(page.getByText("waiting for signal")).hasCount(0);
        page.waitForCondition(() -> changes("LM-66").contains("at the far gate"));
        String changes = changes("LM-66");
        if (changes.split("at the far gate", -1).length != 2 || !changes.contains("851")) {
            throw new AssertionError("It should stand there once: " + changes);
        }
    }

    private String changes(String vehicle) {
        return product.get("/api/v1/vehicles/" + vehicle + "/wheels/1L/changes", Product.TOKEN)
                .body();
    }

    private Tyres inService(String ref, String prefix, String... positions) {
        Tyres tyres = new Tyres(prefix, positions);
        String sensors = tyres.codes.entrySet().stream()
                .map(tyre -> "{\"position\":\"%s\",\"code\":\"%s\",\"fittedAt\":\"2026-01-01T00:00:00Z\"}"
                        .formatted(tyre.getKey(), tyre.getValue()))
                .collect(java.util.stream.Collectors.joining(","));
        product.post(
                "/api/v1/fleet-imports",
                Product.TOKEN,
                "application/json",
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "%s", "kind": "RIGID_TRUCK",
                  "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 } ],
                  "sensors": [ %s ] } ] }"""
                        .formatted(ref, sensors));
        return tyres;
    }
}
