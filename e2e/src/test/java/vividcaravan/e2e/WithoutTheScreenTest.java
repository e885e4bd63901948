package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The ways of {@link WayInTest} and of a shift at the Desk, by keyboard and by what a screen reader is told alone. */
class WithoutTheScreenTest extends InBrowser {

    /** The way to a proven dolly as {@link WayInTest} goes it: each click, each field that is filled and each Enter. */
    private static final int BY_HAND = 54;

    @TempDir
    Path folder;

    private static ByEar firstManager(Product product, Page page) {
        ByEar ear = new ByEar(page);
        page.navigate(product.waitForLog("(/set-up#\\S+)"));
        ear.type("User name", "wren")
                .type("Your name", "A. Wren")
                .type("Password", InOwnFleet.PASSWORD)
                .press("button", "Make the account");
        assertThat(page).hasURL(Pattern.compile(".*/desk"));
        return ear;
    }

    @Test
    void fromNothingToTheFirstProvenVehicle() {
        try (Product product = Product.start(folder, Map.of())) {
            Page page = newPage(product.address, 1280, 800, ColorScheme.LIGHT);
            ByEar ear = firstManager(product, page);

            ear.press("link", "Describe the first vehicle");
            ear.press("button", "^Dolly").type("^Ref", "LM-91");
            ear.choose("^twin$", "^single$");
            ear.type("Cold target", "7.8 bar").press("button", "^Store the vehicle");
            assertThat(page).hasURL(Pattern.compile(".*/vehicles/LM-91"));

            ear.press("link", "^Desk").press("link", "Make a token");
            ear.type("^Name$", "gate receiver").press("button", "Make a token").hears("vc_");
            String receiver =
                    page.getByText(Pattern.compile("^vc_")).textContent().strip();

            ear.press("button", "^Copy it").hears("in the clipboard");
            ear.press("link", "^Desk")
                    .press("link", "^Plan it")
                    .type("Add a vehicle", "LM-91")
                    .key("Enter")
                    .hears("LM-91 chosen");
            ear.press("button", "^Keep this plan");
            ear.press("link", "^Desk").press("link", "^Open the job").press("button", "^Open the job");
            for (int wheel = 1; wheel <= 2; wheel++) {
                ear.type("Tread", "9 9 8.5").type("Date code", "3423").press("button", "^Enter what I saw");
            }
            ear.hears("All 2 wheels").press("button", "^On to mount");
            for (int wheel = 1; wheel <= 2; wheel++) {
                while (page.locator("ol input[type=checkbox]:not(:checked)").count() > 0) {
                    ear.press("checkbox", "", "Space").key("Tab");
                }
                ear.press("button", "^The sensor is in");
            }
            InOwnFleet.Tyres tyres = new InOwnFleet.Tyres("5C0D", "1L", "1R");
            InOwnFleet.hear(product, receiver, tyres);
            ear.press("button", "^On to pair");
            for (String code : tyres.codes.values()) {
                ear.type("[Cc]ode", code).key("Enter").hears(code);
            }
            InOwnFleet.hear(product, receiver, tyres);
            ear.press("button", "^On to prove");
            for (String position : tyres.codes.keySet()) {
                if (!position.equals("1L")) {
                    ear.press("button", "^Next open wheel");
                }
                ear.press("button", "I let air in or out").hears("Waiting for the sensors");
                tyres.kpa.merge(position, 25.0, Double::sum);
                InOwnFleet.hear(product, receiver, tyres);
                ear.hears("Proved by air");
                ear.type("^Hand gauge kPa", tyres.kpa.get(position) + " kPa")
                        .press("button", "^Enter what the gauge shows")
                        .hears("Gauge and sensor agree");
            }
            ear.hears("All 2 wheels are proven").press("button", "^All is proven: into service");
            Assertions.assertThat(ear.acts()).as("acts").isLessThanOrEqualTo(BY_HAND);
            ear.press("link", "^Vehicles").press("link", "LM-91").goTo("button", "^Take out of service");
        }
    }

    @Test
    void anAlertIsDealtWithAndARoundIsGone() {
        try (Product product = Product.startWithToken(folder)) {
            Page page = newPage(product.address, 1280, 800, ColorScheme.LIGHT);
            ByEar ear = firstManager(product, page);
            Trucks trucks = new Trucks("GX-", 0x5B0D00, 1);
            product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", trucks.document());
            ear.goTo("link", "^Desk");

            leak(product, trucks);
            ear.hears("[Ss]top now");
            ear.press("link", trucks.ref(0)).goTo("button", "^Acknowledge");
            ear.press("button", "^Acknowledge").hears("Done");
            ear.type("^Note", "driver told to wait")
                    .press("button", "^Write the note")
                    .hears("Done");
            ByEar driver = aDriverReadsWhatToDo(product, trucks.ref(0));
            ear.hears("GX-0: O. Tansley has stopped");
            driver.press("button", "^I need help").hears("The workshop has your answer. I need help");
            ear.hears("GX-0: O. Tansley needs help");
            assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("A driver needs somebody")))
                    .isVisible();
            ear.press("button", "^Closer").hears("The chart shows").press("button", "^Close C");
            ear.type("What was found", "nail, casing scrapped");
            ear.press("radio|checkbox", "The tyre was scrapped", "Space")
                    .press("button", "^Close the alert")
                    .hears("Done");

            ear.press("link", "^Workshop")
                    .type("Add a vehicle", trucks.ref(0))
                    .key("Enter")
                    .hears("chosen; 1 in all");
            ear.press("button", "^Begin the round");
            assertThat(page).hasURL(Pattern.compile(".*/rounds/\\d+"));
            ear.press("button", "^It stays so").type("Reason, in other words", "off the road");
            ear.press("button", "^Keep this reason").hears("left");
        }
    }

    private ByEar aDriverReadsWhatToDo(Product product, String ref) {
        product.post(
                "/api/v1/accounts",
                Product.TOKEN,
                "application/json",
                "{\"userName\":\"tansley\",\"displayName\":\"O. Tansley\",\"role\":\"DRIVER\",\"password\":\""
                        + InOwnFleet.PASSWORD + "\"}");
        product.put("/api/v1/accounts/tansley/vehicles", Product.TOKEN, "{\"vehicles\":[\"" + ref + "\"]}");
        Page page = newPage(product.address, 390, 844, ColorScheme.LIGHT);
        ByEar ear = new ByEar(page);
        page.navigate("/sign-in");
        ear.type("User name", "tansley").type("Password", InOwnFleet.PASSWORD).press("button", "^Sign in");
        ear.press("button", "^I have stopped").hears("The workshop has your answer");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Stop now");
        assertThat(page.getByText(ref).first()).isVisible();
        return ear;
    }

    private static void leak(Product product, Trucks trucks) {
        long begin = System.currentTimeMillis() - 180_000;
        for (int minute = 0; minute < 3; minute++) {
            product.readings(
                    Product.TOKEN,
                    "[{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%d,\"temperatureC\":20,\"moving\":true}]"
                            .formatted(trucks.code(0, 0), begin + minute * 60_000L, minute == 0 ? 790 : 560));
        }
    }
}
