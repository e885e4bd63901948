package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From bare axles to a vehicle whose sensors are proven, as a manager and a technician go the way. */
class EquipTest extends InBrowser {

    private static final String PASSWORD = "four words in a row";

    @TempDir
    static Path folder;

    private Product product;

    @BeforeAll
    void startEmpty() {
        product = Product.startWithToken(folder.resolve("data"));
        Page page = newPage(product.address);
        page.navigate(product.waitForLog("(/set-up#\\S+)"));
        fill(page, "User name", "wren");
        fill(page, "Your name", "A. Wren");
        fill(page, "Password", PASSWORD);
        button(page, "Make the account").click();
        assertThat(page).hasURL(Pattern.compile(".*/desk.*"));
    }

    @AfterAll
    void stop() {
        product.close();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void fill(Page page, String label, String text) {
        page.getByLabel(label).first().fill(text);
    }

    private Page signedIn(int width, int height) {
        Page page = newPage(product.address, width, height, ColorScheme.LIGHT);
        page.navigate("/sign-in");
        fill(page, "User name", "wren");
        page.getByLabel("Password").fill(PASSWORD);
        button(page, "Sign in").click();
        assertThat(page).hasURL(Pattern.compile(".*/desk.*"));
        return page;
    }

    private static Locator choice(Page page, String group, String words) {
        return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName(group))
                .getByRole(
                        AriaRole.RADIO,
                        new Locator.GetByRoleOptions().setName(words).setExact(true));
    }

    private static void press(Locator at, String key, int times) {
        at.focus();
        for (int i = 0; i < times; i++) {
            at.press(key);
        }
    }

    /** Which sensor is in which tyre, and what is in the tyre. */
    private static final class Tyres {
        final Map<String, String> codes = new LinkedHashMap<>();
        final Map<String, Double> kpa = new LinkedHashMap<>();

        Tyres(String prefix, String... positions) {
            for (String position : positions) {
                codes.put(position, "%s%02d".formatted(prefix, codes.size() + 10));
                kpa.put(position, position.startsWith("1") ? 850.0 : 780.0);
            }
        }
    }

    private void hear(Tyres tyres) {
        String now = Instant.now().toString();
        product.readings(
                Product.TOKEN,
                tyres.codes.entrySet().stream()
                        .map(tyre ->
                                "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":20,\"rssiDbm\":-60}"
                                        .formatted(tyre.getValue(), now, tyres.kpa.get(tyre.getKey())))
                        .collect(Collectors.joining(",", "[", "]")));
    }

    private void enter(String job, String kind, String position, String data) {
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

    private String describedVehicle(String ref) {
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

    @Test
    void aThreeAxleTruckIsComposedLimitedFittedCaughtCrossedProvenAndPutIntoService() {
        Page page = signedIn(1280, 800);

        // Composed: from a layout, changed by keys, undone, kept over a reload.
        page.navigate("/describe");
        button(page, "Rigid, 2 axles").click();
        fill(page, "Ref", "LM-61");
        Locator axles =
                page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName("Axles from the front"));
        axles.getByRole(AriaRole.RADIO).nth(1).click();
        axles.getByRole(AriaRole.RADIO).nth(1).press("+");
        assertThat(axles.getByRole(AriaRole.RADIO)).hasCount(3);
        choice(page, "It is there to", "tag").click();
        choice(page, "At each end", "single").click();
        assertThat(axles.getByRole(AriaRole.RADIO).nth(2)).hasText(Pattern.compile("3\\s+tag\\s+single"));
        page.reload();
        assertThat(axles.getByRole(AriaRole.RADIO).nth(2)).hasText(Pattern.compile("3\\s+tag\\s+single"));
        page.getByLabel("Cold target, from the placard").fill("7.8 bar");
        button(page, "Store the vehicle").click();
        assertThat(page).hasURL(Pattern.compile(".*/vehicles/LM-61"));
        assertThat(page.getByText("described, not fitted")).isVisible();

        // Limits: by keys on the ruler, then typed with a figure that is not its percentage.
        page.navigate("/office/limits?vehicle=LM-61&axle=2");
        Locator over = page.getByRole(
                AriaRole.SLIDER, new Page.GetByRoleOptions().setName("over").setExact(true));
        press(over, "ArrowLeft", 10);
        assertThat(over).hasAttribute("aria-valuetext", "+10\u00a0%");
        page.getByLabel("Over, as a pressure").fill("870");
        page.getByLabel("Over, as a pressure").press("Tab");
        assertThat(page.getByText("You typed 870")).isVisible();
        button(page, "use 858\u00a0kPa").click();
        button(page, "See what changes").click();
        assertThat(page.getByText("1 axle changes")).isVisible();
        button(page, "Apply to 1 axle").click();
        assertThat(page.getByText("Done for 1 axle")).isVisible();
        page.navigate("/vehicles/LM-61");
        assertThat(page.getByText("+10\u00a0%, its own")).isVisible();

        // Planned: what the eight wheels take, put aside as far as it is there.
        product.put("/api/v1/stock/STRAP_SENSOR", Product.TOKEN, "{ \"onHand\": 5 }");
        page.navigate("/stores");
        page.getByLabel("Add a vehicle").fill("LM-61");
        page.getByLabel("Add a vehicle").press("Enter");
        assertThat(page.getByText("8 wheels without a sensor")).isVisible();
        assertThat(page.getByText("Measure the drop centre before ordering").first())
                .isVisible();
        button(page, "Keep this plan").click();
        button(page, "Put it aside").click();
        assertThat(page.getByText("What there is lies aside for it.")).isVisible();
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName("sensor with steel strap 9 5 0 4")))
                .isVisible();

        // Fitted: the job is opened, a worn tyre is stopped, and passed with a reason.
        page.navigate("/workshop");
        page.getByLabel(Pattern.compile("^\\s*Vehicle\\b")).selectOption("LM-61");
        button(page, "Open the job").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("axle 1 left")))
                .isVisible();
        String job = page.url().replaceFirst(".*/jobs/", "");
        page.getByLabel("Tread at several points").fill("9 2.5 9");
        page.getByLabel("Date code, last four digits").fill("3423");
        button(page, "Enter what I saw").click();
        assertThat(page.getByText("Its tread is 2.5 mm at the shallowest")).isVisible();
        button(page, "Pass it all the same, with a reason").click();
        page.getByLabel("Why?").fill("new tyre comes on Friday");
        button(page, "Pass it").click();
        Tyres tyres = new Tyres("5B0D", "1L", "2LO", "2LI", "3L", "3R", "2RO", "2RI", "1R");
        for (String position : tyres.codes.keySet()) {
            if (!position.equals("1L")) {
                enter(job, "INSPECTED", position, "{\"treadMm\":[9,9],\"dateCode\":\"3423\"}");
            }
            enter(job, "MOUNTED", position, "{\"mount\":\"STRAP\"}");
        }

        // Paired by a scanner that types anywhere; the twins are crossed on purpose.
        hear(tyres);
        page.reload();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pair")))
                .click();
        Map<String, String> scanned = new LinkedHashMap<>(tyres.codes);
        scanned.put("2LO", tyres.codes.get("2LI"));
        scanned.put("2LI", tyres.codes.get("2LO"));
        int done = 0;
        for (String code : scanned.values()) {
            assertThat(page.getByText("Wheel " + (done + 1) + " of 8")).isVisible();
            page.locator("h2").first().click();
            page.keyboard().type(code);
            page.keyboard().press("Enter");
            done++;
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pair"))))
                    .containsText(done + "/8");
        }

        // Proved by air: the crossing is caught and put right.
        hear(tyres);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Prove")))
                .click();
        button(page, "2LO").click();
        button(page, "I let air in or out here now").click();
        assertThat(page.getByText("Waiting for the sensors")).isVisible();
        tyres.kpa.merge("2LO", 25.0, Double::sum);
        hear(tyres);
        assertThat(page.getByText("The air was seen at axle 2 left inner")).isVisible();
        button(page, "Exchange them, then prove both").click();
        assertThat(page.getByText("The air was seen at")).hasCount(0);
        for (String position : tyres.codes.keySet()) {
            if (!position.equals("2LO")) {
                enter(job, "AIR_SET", position, "{}");
                tyres.kpa.merge(position, 25.0, Double::sum);
                hear(tyres);
                enter(job, "PROVED", position, "{}");
                enter(job, "GAUGED", position, "{\"gaugeKpa\":" + tyres.kpa.get(position) + "}");
            }
        }
        button(page, "2LO").click();
        button(page, "I let air in or out here now").click();
        assertThat(page.getByText("Waiting for the sensors")).isVisible();
        tyres.kpa.merge("2LO", -25.0, Double::sum);
        hear(tyres);
        assertThat(page.getByText("Proved by air")).isVisible();
        page.getByLabel("Hand gauge").first().fill("7.8 bar");
        button(page, "Enter what the gauge shows").click();
        assertThat(page.getByText("Gauge and sensor agree.")).isVisible();
        button(page, "All is proven: into service").click();

        // The record stays.
        assertThat(page.getByText("sensors exchanged")).isVisible();
        assertThat(page.getByText("new tyre comes on Friday").first()).isVisible();

        // Adjusted: the air of the proof comes out again, one wheel stays with a reason, the sheet is kept.
        hear(tyres);
        page.navigate("/workshop");
        page.getByLabel("Add a vehicle").fill("LM-61");
        page.getByLabel("Add a vehicle").press("Enter");
        button(page, "Begin the round").click();
        assertThat(page.getByText("7 wheels are left.")).isVisible();
        assertThat(page.getByText("let out 25\u00a0kPa").first()).isVisible();
        button(page, "I set it: axle 2 left inner of LM-61").click();
        button(page, "Record it").click();
        for (String position : tyres.codes.keySet()) {
            if (!position.equals("1L") && !position.equals("2LO")) {
                tyres.kpa.put(position, 780.0);
            }
        }
        hear(tyres);
        assertThat(page.getByText("1 wheel is left.")).isVisible();
        button(page, "It stays so: axle 1 left of LM-61").click();
        page.getByLabel("Reason, in other words").fill("its new tyre comes on Friday");
        button(page, "Keep this reason").click();
        button(page, "Done: keep the sheet").click();
        assertThat(page.getByText("The sheet is kept as it was then.")).isVisible();
        assertThat(page.getByText("its new tyre comes on Friday, wren")).isVisible();

        // In service.
        page.navigate("/vehicles/LM-61");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take out of service")))
                .isVisible();
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
    void sensorsAreGivenToWheelsAtTheBench() {
        String job = describedVehicle("LM-63");
        Tyres tyres = new Tyres("5E2B", "1L", "2LO", "2LI", "2RO", "2RI", "1R");
        Page page = signedIn(1280, 800);
        page.navigate("/workshop/jobs/" + job + "/bench");
        page.getByLabel("Code for axle 1 left").fill("5E2B0O");
        page.getByLabel("Code for axle 2 left outer").fill("5E2B11");
        page.getByLabel("Code for axle 1 right").fill("5E2B11");
        assertThat(page.getByText("This code stands at two wheels of the list.").first())
                .isVisible();
        assertThat(page.getByText("5E2B00").first()).isVisible();
        assertThat(button(page, "Take 3 sensors")).isDisabled();

        page.getByText("Paste a list").click();
        page.getByLabel("Position and code, a row each")
                .fill(tyres.codes.entrySet().stream()
                                .map(tyre -> tyre.getKey() + "; " + tyre.getValue())
                                .collect(Collectors.joining("\n"))
                        + "\n9L; 5E2B99");
        button(page, "Fill the list").click();
        assertThat(page.getByText("1 row fits no wheel")).isVisible();
        button(page, "Take 6 sensors").click();

        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pair"))))
                .containsText("6/6");
    }

    @Test
    void aDriverIsInvitedJoinsAndSeesWhatIsAssignedToThem() {
        describedVehicle("LM-64");
        Page page = signedIn(1280, 800);
        page.navigate("/office");
        page.getByLabel("E-mail address").fill("d.unnock@example.org");
        page.getByLabel(Pattern.compile("^\\s*As\\b")).selectOption("DRIVER");
        button(page, "Invite").click();
        assertThat(page.getByText("Written to d.unnock@example.org")).isVisible();
        page.getByText("Mail that was written").click();
        String link = page.locator("article a").first().getAttribute("href");

        Page other = newPage(product.address, 390, 844, ColorScheme.LIGHT);
        other.navigate(link);
        assertThat(other.getByText("You were asked as driver")).isVisible();
        fill(other, "User name", "dunnock");
        fill(other, "Your name", "D. Unnock");
        fill(other, "Password", PASSWORD);
        button(other, "Join").click();
        assertThat(other).hasURL(Pattern.compile(".*/desk.*"));
        other.navigate("/vehicles");
        assertThat(other.getByText("No vehicle is assigned to you yet")).isVisible();
        Page late = newPage(product.address);
        late.navigate(link);
        assertThat(late.getByText("This link was used")).isVisible();

        page.navigate("/office");
        button(page, "Change the vehicles of D. Unnock").click();
        page.getByLabel("Vehicle", new Page.GetByLabelOptions().setExact(true)).fill("LM-64");
        button(page, "Let them see it").click();
        assertThat(button(page, "D. Unnock no longer sees LM-64")).isVisible();
        other.reload();
        assertThat(other.getByText("LM-64").first()).isVisible();
    }

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
        button(page, "Mine is meant").click();
        assertThat(page.getByText("entered something else")).hasCount(0);
        assertThat(page.getByText("all stored")).isVisible();
        String record = product.get("/api/v1/jobs/" + job, Product.TOKEN).body();
        if (!record.contains("\"code\":\"" + tyres.codes.get("1L") + "\"")
                || !record.contains("\"code\":\"" + tyres.codes.get("2LO") + "\"")) {
            throw new AssertionError(record);
        }
    }
}
