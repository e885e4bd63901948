package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every screen of the demo under axe in both themes and on a phone, the Desk by keyboard alone, and that the demo lives on
 * over a restart. One class, since the demo's past takes a while to be put in place.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class DemoTest extends InBrowser {

    private static final String MANAGER = "{\"userName\":\"marrable\",\"password\":\"larkmoor-manager\"}";

    @TempDir
    static Path folder;

    private Product product;

    @BeforeAll
    void begin() {
        product = startDemo();
        product.waitForLog("from now on it lives");
    }

    private static Product startDemo() {
        return Product.start(folder, Map.of("VIVID_DEMO", "true", "VIVID_API_TOKEN", Product.TOKEN));
    }

    @AfterAll
    void stop() {
        product.close();
    }

    private static void enterAs(Page page, String name) {
        page.navigate("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .click();
        page.waitForURL("**/desk");
    }

    /** What passed is not asked for, and a page without frames needs no second page to gather them: half the time. */
    private static AxeRunOptions violationsOnly() {
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        options.setIFrames(false);
        return options;
    }

    private static void assertNothingFound(Page page, String screen) {
        OnAPhone.assertFits(page, screen);
        // What follows from how wide things came out to be is drawn a frame later.
        page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
        AxeResults results = new AxeBuilder(page)
                .options(violationsOnly())
                .setLegacyMode(true)
                .analyze();
        assertThat(results.getViolations().stream()
                        .map(v -> screen + ": " + v.getId() + " "
                                + v.getNodes().stream()
                                        .map(node -> node.getHtml())
                                        .limit(3)
                                        .toList()))
                .isEmpty();
    }

    /** Describing, limits, and every stage of a fit-out. */
    private void equip(Page page) {
        page.navigate("/describe");
        page.getByText("Tractor unit 6x4").waitFor();
        assertNothingFound(page, "layouts");
        page.getByText("Tractor unit 6x4").click();
        page.getByText("Many like this").waitFor();
        assertNothingFound(page, "describing");
        page.navigate("/office/limits");
        page.getByRole(AriaRole.SLIDER).first().waitFor();
        assertNothingFound(page, "limits");
        page.navigate("/workshop");
        page.getByText("Fit another vehicle").waitFor();
        Locator open =
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^LM-40 fit-out")));
        if (open.count() == 0) {
            page.getByLabel(Pattern.compile("^\\s*Vehicle\\b")).selectOption("LM-40");
            page.getByLabel("Sensors held").selectOption("GLUED");
            assertNothingFound(page, "workshop");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job"))
                    .click();
        } else {
            open.click();
        }
        for (String stage : List.of("Inspect", "Mount", "Pair", "Prove")) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + stage)))
                    .click();
            assertNothingFound(page, "fit-out, " + stage);
        }
        String job = page.url();
        page.navigate(job + "/bench");
        page.getByLabel("Code for", new Page.GetByLabelOptions()).first().waitFor();
        page.getByText("Paste a list").click();
        assertNothingFound(page, "bench list");
        page.navigate(job + "/record");
        page.locator("table").first().waitFor();
        assertNothingFound(page, "record");
        planAndRound(page);
        page.navigate("/vehicles/GX-05");
        page.locator("table").first().waitFor();
    }

    private void planAndRound(Page page) {
        page.navigate("/stores/plans");
        page.getByLabel("Add a vehicle").fill("GT-18");
        page.getByLabel("Add a vehicle").press("Enter");
        page.getByText("2 wheels without a sensor").waitFor();
        assertNothingFound(page, "kit planner");
        page.getByText("Keep this plan").click();
        page.getByText("Put it aside").waitFor();
        assertNothingFound(page, "kit plan");
        page.navigate("/workshop");
        page.getByLabel("Add a vehicle").fill("GX-05");
        page.getByLabel("Add a vehicle").press("Enter");
        page.getByText("Begin the round").click();
        page.getByText("Give the round up").waitFor();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^It (stays|is)")))
                .first()
                .click();
        assertNothingFound(page, "pressure round");
        page.navigate("/office/targets");
        page.getByText("315/80 R22.5").waitFor();
        assertNothingFound(page, "load tables");
        page.navigate("/office/mail");
        page.getByText("No mail leaves from here").waitFor();
        assertNothingFound(page, "mail");
        // Their content comes after their heading.
        Map<String, String> others = Map.ofEntries(
                Map.entry("/office", "Receivers and tokens"),
                Map.entry("/office/tyres-and-gauges", "Local law goes first"),
                Map.entry("/office/alert-health", "What they call for"),
                Map.entry("/office/month", "Work done"),
                Map.entry("/vehicles/GX-05/history", "All wheels have one scale"),
                Map.entry("/vehicles/LM-21/inspection-sheet", "Inspection sheet"),
                Map.entry("/office/logbook", "Check the book"),
                Map.entry("/office/team", "Somebody without e-mail"),
                Map.entry("/office/duty", "On duty at"),
                Map.entry("/office/texts", "What was written"),
                Map.entry("/office/depots", "Sallow Bridge"),
                Map.entry("/office/receivers", "Make a token"),
                Map.entry("/office/fleet", "Take the fleet out"),
                Map.entry("/office/backups", "Make a backup now"),
                Map.entry("/office/reading", "Three short tones"),
                Map.entry("/stores", "sensor with steel strap"),
                Map.entry("/stores/tyres", "Take a tyre in"),
                Map.entry("/stores/every-sensor", "Heard and not ours"),
                Map.entry("/stores/batteries", "The next twelve months"),
                Map.entry("/stores/receivers", "A reading may name the receiver"),
                Map.entry("/workshop/cold", "Expected morning"),
                Map.entry("/stores/gauges", "LK gauge 1"),
                Map.entry("/stores/tyres/1", "Where it was"),
                Map.entry("/workshop/moves?vehicle=GT-13", "Moved before"),
                Map.entry("/workshop/due", "Tighten the wheel nuts again"),
                Map.entry("/gate", "May leave"));
        others.forEach((path, words) -> {
            page.navigate(path);
            page.locator("main").getByText(words).first().waitFor();
            assertNothingFound(page, path);
        });
        page.navigate("/join#nothing");
        page.getByText("This link was used").waitFor();
        assertNothingFound(page, "join");
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"LIGHT, 1280, 800", "DARK, 1280, 800", "LIGHT, 390, 844", "DARK, 390, 844"})
    void axeFindsNothing(ColorScheme theme, int width, int height) {
        Page page = newPage(product.address, width, height, theme);
        page.navigate("/sign-in");
        page.getByText("Come in as").waitFor();
        assertNothingFound(page, "sign-in");
        enterAs(page, "I. Marrable");

        page.getByText("BV-03").first().waitFor();
        assertNothingFound(page, "desk");
        page.locator("[data-alert]").first().click();
        page.getByText("What is likely behind it").waitFor();
        page.locator("canvas").first().waitFor();
        assertNothingFound(page, "alert");
        page.getByText("as a table", new Page.GetByTextOptions().setExact(true)).click();
        assertNothingFound(page, "alert with its table");
        for (String key : List.of("c", "g", "i", "?", "/")) {
            page.keyboard().press(key);
            page.getByRole(AriaRole.DIALOG).waitFor();
            assertNothingFound(page, "dialog of " + key);
            page.keyboard().press("Escape");
            page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        }

        repair(page);
        page.navigate("/vehicles");
        page.getByRole(AriaRole.ROW).nth(3).waitFor();
        assertNothingFound(page, "vehicles");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Departure list"))
                .click();
        page.getByText("Not yet").waitFor();
        assertNothingFound(page, "departure list");
        page.navigate("/demo");
        page.getByText("What was planted").waitFor();
        assertNothingFound(page, "demo");
        for (String path : List.of("/vehicles/GX-05", "/vehicles/GT-18", "/stores/sensors")) {
            page.navigate(path);
            page.locator("table").first().waitFor();
            assertNothingFound(page, path);
        }
        equip(page);
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing sticks out at the side")
                .isTrue();
        page.navigate("/vehicles/GX-05");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record a pressure that was set"))
                .click();
        page.getByRole(AriaRole.DIALOG).waitFor();
        assertNothingFound(page, "recording a pressure");
        outOfService(page);
    }

    /** A wheel and back, since the demo goes on being looked at. */
    private void outOfService(Page page) {
        page.navigate("/vehicles/GX-05");
        page.getByText("Take out of service").click();
        page.getByLabel("What?").selectOption("1L");
        page.getByLabel("Why?").fill("lent to another");
        assertNothingFound(page, "taking out of service");
        page.getByText("Take it out").click();
        Locator back = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Back into service.*1L")));
        back.waitFor();
        assertNothingFound(page, "a wheel out of service");
        back.click();
        back.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }

    /** Several alerts chosen, a job from one of them, and the page of its driver. */
    private void repair(Page page) {
        page.navigate("/desk");
        page.locator("nav [type=checkbox]").nth(1).check();
        page.getByText("1 chosen").waitFor();
        assertNothingFound(page, "chosen alerts");
        page.getByText("Choose none").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^LM-22")))
                .click();
        page.getByText("What is likely behind it").waitFor();
        String id = page.url().replaceAll(".*/", "");
        page.keyboard().press("j");
        page.getByText("The workshop has a job for it")
                .filter(new Locator.FilterOptions().setVisible(true))
                .waitFor();
        assertNothingFound(page, "alert with a job");
        page.navigate("/workshop/repairs/" + id);
        page.getByText("What was done?").waitFor();
        assertNothingFound(page, "repair");
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"LIGHT, 1280, 800", "DARK, 390, 844", "LIGHT, 390, 844"})
    void axeFindsNothingOnTheDriversPage(ColorScheme theme, int width, int height) {
        Page page = newPage(product.address, width, height, theme);
        enterAs(page, "O. Tansley");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Deutsch"))
                .click();
        page.getByText("Nur im Stand lesen und antworten.").waitFor();
        page.locator("details summary").first().click();

        assertNothingFound(page, "the driver's page");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Rundgang beginnen")))
                .first()
                .click();
        page.getByText("Radmutter lose, fehlt oder mit Rostfahne").click();
        page.getByText("Schicken, was ich gefunden habe").click();
        page.getByText("Sagen Sie, wo es ist.").waitFor();
        assertNothingFound(page, "the walk round");
    }

    @Test
    void axeFindsWhatIsWrong() {
        Page page = newPage(product.address);
        page.navigate("/sign-in");
        page.getByText("Come in as").waitFor();

        page.evaluate("() => document.querySelector('main').append(document.createElement('img'))");

        assertThatThrownBy(() -> assertNothingFound(page, "sign-in"))
                .isInstanceOf(AssertionError.class)
                .hasMessageContaining("image-alt");
    }

    @Test
    void theChartIsLookedAtCloserByKeyAndByButton() {
        Page page = newPage(product.address);
        enterAs(page, "I. Marrable");
        page.navigate("/vehicles/GX-05");
        Locator chart = page.getByRole(AriaRole.IMG).filter(new Locator.FilterOptions().setHas(page.locator("canvas")));
        chart.waitFor();
        Locator all = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All").setExact(true));
        assertThat(all.isDisabled()).isTrue();

        chart.focus();
        page.keyboard().press("+");
        assertThat(all.isEnabled()).isTrue();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Closer"))
                .click();
        page.getByText("as a table", new Page.GetByTextOptions().setExact(true)).click();
        int few = page.getByRole(AriaRole.TABLE).last().locator("tr").count();
        assertThat(few).isPositive();
        chart.focus();
        page.keyboard().press("0");
        assertThat(all.isDisabled()).isTrue();
    }

    @Test
    void theDeskWorksByKeyboardAlone() {
        Page page = newPage(product.address);
        enterAs(page, "B. Quill");
        page.locator("[data-alert]").first().waitFor();

        page.keyboard().press("ArrowDown");
        page.locator("[data-alert][aria-current='true']:focus").waitFor();
        String chosen = page.evaluate("document.activeElement.dataset.alert").toString();
        assertThat(page.url()).endsWith("/desk/" + chosen);

        page.keyboard().press("?");
        Locator keys = page.getByRole(AriaRole.DIALOG);
        keys.waitFor();
        assertThat(keys.textContent()).contains("acknowledge");
        page.keyboard().press("Escape");
        keys.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));

        // Put the first one aside that may be, write a note into another: no hand leaves the keyboard.
        page.keyboard().press("f");
        page.keyboard().type("GX-06");
        page.keyboard().press("Tab");
        page.locator("[data-alert]")
                .filter(new Locator.FilterOptions().setHasText("over target"))
                .waitFor();
        page.locator("[data-alert]")
                .filter(new Locator.FilterOptions().setHasText("over target"))
                .focus();
        page.keyboard().press("Enter");
        page.getByText("Axle 1 right of GX-06").first().waitFor();
        page.keyboard().press("h");
        page.getByRole(AriaRole.DIALOG).waitFor();
        page.keyboard().type("bled down cold tonight");
        page.keyboard().press("Tab");
        page.keyboard().press("Tab");
        page.keyboard().press("Enter");
        page.getByText("put aside by B. Quill").waitFor();
        page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        page.locator("h2:focus").waitFor();
        page.keyboard().press("n");
        page.locator("textarea:focus").waitFor();
        page.keyboard().type("the gauge at the gate says 990");
        page.keyboard().press("Tab");
        page.keyboard().press("Enter");
        page.getByText("the gauge at the gate says 990").last().waitFor();
        assertThat(page.getByText("note by B. Quill").count()).isEqualTo(1);

        // The jump box leads anywhere.
        page.keyboard().press("Escape");
        page.locator("body").focus();
        page.keyboard().press("Control+k");
        page.getByRole(AriaRole.DIALOG).waitFor();
        page.keyboard().type("gx-05 2lo");
        page.getByRole(AriaRole.OPTION).first().waitFor();
        page.keyboard().press("Enter");
        page.waitForURL("**/vehicles/GX-05?wheel=2LO");

        page.goBack();
        Locator chart = page.locator("div[role='img']");
        chart.focus();
        String before = page.locator("p.figure[aria-live='polite']").textContent();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("ArrowLeft");
        assertThat(page.locator("p.figure[aria-live='polite']").textContent()).isNotEqualTo(before);
    }

    @Test
    void thePictureIsAlive() {
        Page page = newPage(product.address);
        enterAs(page, "P. Sedge");
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        page.navigate("/vehicles/GX-05");
        // Figures only: ages would move on without a word from the server.
        Locator gauges = page.locator("table").first().locator("td:nth-child(3)");
        gauges.first().waitFor();
        List<String> before = gauges.allTextContents();

        // The page's own policy forbids evaluating text, so the waiting is done here.
        long until = System.nanoTime() + Patience.WITH_A_PAGE.toNanos();
        while (gauges.allTextContents().equals(before) && System.nanoTime() < until) {
            page.waitForTimeout(500);
        }

        assertThat(gauges.allTextContents()).isNotEqualTo(before);
    }

    @Test
    void aPlantedLeakIsOnTheDeskWithinAMinuteOrSo() {
        Page page = newPage(product.address);
        enterAs(page, "I. Marrable");
        page.navigate("/demo");
        page.getByLabel("To which vehicle?").selectOption("GX-08");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Plant a leak"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it right"))
                .first()
                .waitFor();

        page.navigate("/desk");
        page.locator("[data-alert]")
                .filter(new Locator.FilterOptions().setHasText("GX-08"))
                .waitFor(new Locator.WaitForOptions().setTimeout(Patience.WITH_A_PRODUCT.toMillis()));
    }

    @Test
    void aSlowLeakThatWasPlantedInThePastComesWithItsEvidence() {
        Page page = newPage(product.address);
        enterAs(page, "I. Marrable");
        page.navigate("/demo");
        page.getByLabel("Plant a slow leak").check();
        page.getByLabel("To which vehicle?").selectOption("BV-06");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Plant a slow leak"))
                .click();
        page.getByText("BV-06 1L").waitFor();

        page.navigate("/desk");
        Locator line = page.locator("[data-alert]").filter(new Locator.FilterOptions().setHasText("BV-06"));
        line.waitFor(new Locator.WaitForOptions().setTimeout(Patience.WITH_A_PRODUCT.toMillis()));
        line.click();
        page.locator("ol li")
                .filter(new Locator.FilterOptions().setHasText("Nail, valve or bead"))
                .waitFor();
        assertThat(page.locator("article").textContent()).contains("siblings stay within");
    }

    @Test
    void aPressureThatWasSetIsInTheRecordOfItsWheel() {
        Page page = newPage(product.address);
        enterAs(page, "B. Quill");
        page.navigate("/vehicles/GX-01?wheel=1R");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record a pressure that was set"))
                .click();
        page.getByLabel("Hand gauge before").fill("820");
        page.getByLabel("Hand gauge after").fill("850");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record it"))
                .click();
        page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));

        page.getByText("as a table", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("pressure set from").waitFor();
    }

    @Test
    @Order(Integer.MAX_VALUE)
    void itLivesOnOverARestartAndItsAccountsOpenNothingElse() {
        assertThat(product.json("/api/v1/vehicles").get("items").size()).isEqualTo(48);
        assertThat(product.json("/api/v1/alerts")
                        .get("items")
                        .valueStream()
                        .map(alert -> alert.get("vehicle").asString() + " "
                                + alert.get("position").asString()))
                .contains("GX-05 2LO", "BV-03 3R", "GX-06 1R");
        product.close();

        product = startDemo();
        String again = product.waitForLog("past is in place \\((\\d+) readings\\)");
        assertThat(product.json("/api/v1/alerts").get("items").size()).isGreaterThanOrEqualTo(3);
        assertThat(product.signIn(MANAGER).statusCode()).isEqualTo(200);
        // What it had sent before was not sent again, but for a few minutes' overlap.
        assertThat(Integer.parseInt(again)).isLessThan(10_000);
        product.close();

        product = Product.start(folder, Map.of());
        assertThat(product.signIn(MANAGER).statusCode()).isEqualTo(401);
        assertThat(product.get("/api/v1/session", null).body())
                .contains("\"isSetUpDue\":true")
                .contains("\"demoAccounts\":[]");
        product.waitForLog("/set-up#(\\S+)");
    }
}
