package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.SelectOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From the first reading of a fault to its proof: by mouse and by keyboard alone, the driver in the second language. */
class SeeItThroughTest extends InOwnFleet {

    private static final Duration STEP = Duration.ofMinutes(10);
    private final Instant now = Instant.now();

    /** What a gauge shows of a tyre that has {@code kpa} at 20 °C: Gay-Lussac at sea level. */
    private static double gauge(double kpa, double celsius) {
        return (kpa + 101.325) * (celsius + 273.15) / 293.15 - 101.325;
    }

    /** Both wheels over some hours; the left one as it is said, by hours from the beginning, its pressure at 20 °C. */
    private void hours(Trucks truck, int hoursAgo, int count, DoubleUnaryOperator kpa, DoubleUnaryOperator celsius) {
        Instant from = now.minus(Duration.ofHours(hoursAgo));
        List<String> readings = new ArrayList<>();
        for (Instant at = from; at.isBefore(from.plus(Duration.ofHours(count))); at = at.plus(STEP)) {
            double hour = Duration.between(from, at).toMinutes() / 60.0;
            double hot = celsius.applyAsDouble(hour);
            double warm = 25 + 5 * Math.sin(hour);
            readings.add(reading(truck.code(0, 0), at, gauge(kpa.applyAsDouble(hour), hot), hot));
            readings.add(reading(truck.code(0, 1), at.plusSeconds(3), gauge(800, warm), warm));
        }
        assertThat(product.readings(Product.TOKEN, "[" + String.join(",", readings) + "]")
                        .get("accepted")
                        .asInt())
                .isEqualTo(readings.size());
    }

    private static String reading(String sensor, Instant at, double kpa, double celsius) {
        return String.format(
                Locale.ROOT,
                "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%.1f,\"temperatureC\":%.1f,\"moving\":true}",
                sensor,
                at,
                kpa,
                celsius);
    }

    private Page driverOf(String name, String ref) {
        product.post(
                "/api/v1/accounts",
                Product.TOKEN,
                "application/json",
                "{\"userName\":\"%s\",\"displayName\":\"O. Tansley\",\"role\":\"DRIVER\",\"password\":\"%s\"}"
                        .formatted(name, PASSWORD));
        product.put("/api/v1/accounts/" + name + "/vehicles", Product.TOKEN, "{\"vehicles\":[\"" + ref + "\"]}");
        Page phone = newPage(product.address, 390, 844, ColorScheme.LIGHT);
        phone.navigate("/sign-in");
        fill(phone, "User name", name);
        phone.getByLabel("Password").fill(PASSWORD);
        button(phone, "Sign in").click();
        choice(phone, "Language", "Deutsch").click();
        assertThat(phone.getByText("Nur im Stand lesen und antworten.")).isVisible();
        return phone;
    }

    private static Locator heading(Page page, String words) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile(words)))
                .first();
    }

    @Test
    void aSlowLeakByMouseFromItsFirstReadingToItsProof() {
        Trucks truck = new Trucks("LK-", 0x6A0000, 1);
        String ref = truck.ref(0);
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", truck.document());
        hours(truck, 46, 8, hour -> 800, hour -> 25 + 5 * Math.sin(hour));
        hours(truck, 38, 6, hour -> 800 - 8 * hour, hour -> 25 + 5 * Math.sin(hour));
        Page desk = signedIn(1280, 800);
        desk.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(ref)))
                .first()
                .click();
        assertThat(heading(desk, "loses|losing|under its target")).isVisible();
        String id = desk.url().replaceAll(".*/", "");
        Page phone = driverOf("leak-driver", ref);

        button(desk, "Instruct driver I").click();
        assertThat(desk.getByText(ref + ", Achse 1 von vorn, linke Seite")).isVisible();
        button(desk, "Tell O. Tansley").click();
        assertThat(phone.getByText("Anweisung der Werkstatt von")).isVisible();
        assertThat(desk.getByText("their page: seen")).isVisible();
        button(phone, "Ich habe angehalten").click();
        button(phone, "Er ist platt").click();
        assertThat(phone.getByText("Die Werkstatt hat Ihre Antwort.").first()).isVisible();
        assertThat(desk.getByText("looked: it is flat").first()).isVisible();

        // Topped up and driven on: no repair, and the same alert.
        hours(truck, 32, 1, hour -> 800, hour -> 25 + 5 * Math.sin(hour));
        hours(truck, 31, 5, hour -> 800 - 8 * hour, hour -> 25 + 5 * Math.sin(hour));
        assertThat(product.get("/api/v1/alerts?vehicle=" + ref, Product.TOKEN).body())
                .contains("\"id\":\"" + id + "\"");

        button(desk, "Raise job J").click();
        desk.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("what is to be done"))
                .first()
                .click();
        button(desk, "valve").click();
        button(desk, "valve changed").click();
        button(desk, "End the job").click();
        assertThat(desk.getByText("The alert stays open until the readings prove it."))
                .isVisible();

        hours(truck, 26, 26, hour -> 800, hour -> 25 + 5 * Math.sin(hour));
        desk.navigate("/desk/" + id);
        assertThat(desk.getByText("closed, on proof by readings")).isVisible();
        assertThat(desk.getByText("closed: the readings prove it")).isVisible();
    }

    @Test
    void aDraggingBrakeByKeyboardFromItsFirstReadingToItsProof() {
        Trucks truck = new Trucks("BR-", 0x6B0000, 1);
        String ref = truck.ref(0);
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", truck.document());
        hours(truck, 12, 6, hour -> 800, hour -> 25 + 5 * Math.sin(hour));
        hours(truck, 6, 2, hour -> 800, hour -> 25 + 40 * hour);
        Page desk = newPage(product.address, 1280, 800, ColorScheme.LIGHT);
        ByEar ear = new ByEar(desk);
        desk.navigate("/sign-in");
        ear.type("User name", "wren").type("Password", PASSWORD).press("button", "^Sign in");
        ear.press("link", ref).goTo("button", "^Acknowledge");
        Page phone = driverOf("brake-driver", ref);

        ear.key("i").press("button", "^Tell O. Tansley").hears("Done");
        button(phone, "Es raucht").click();
        ear.hears("O. Tansley looked: there is smoke");
        assertThat(heading(desk, "A driver needs somebody")).isVisible();
        ear.key("t").hears("Done");
        ear.key("j").hears("Done");
        ear.press("link", "what is to be done");
        ear.press("button", "^brake$").press("button", "^brake put right").press("button", "^End the job");
        assertThat(desk.getByText("The alert stays open until the readings prove it."))
                .isVisible();

        hours(truck, 4, 4, hour -> 800, hour -> 25 + 5 * Math.sin(hour));
        ear.press("link", "The alert with its readings");
        assertThat(desk.getByText("closed, on proof by readings")).isVisible();
    }

    @Test
    void aFaultSeenOnTheWalkRoundFromThePhoneToTheGate() {
        Trucks truck = new Trucks("WK-", 0x6C0000, 1);
        String ref = truck.ref(0);
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", truck.document());
        hours(truck, 2, 2, hour -> 800, hour -> 25);
        Page phone = driverOf("walk-driver", ref);
        phone.getByText("heute noch nicht").waitFor();
        phone.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Abfahrtkontrolle beginnen")))
                .click();
        button(phone, "Radmutter lose, fehlt oder mit Rostfahne").click();
        button(phone, "Schicken, was ich gefunden habe").click();
        assertThat(phone.getByText("Sagen Sie, wo es ist.")).isVisible();
        phone.reload();
        phone.getByLabel("Wo ist es?").selectOption(new SelectOption().setLabel("Achse 1, linke Seite"));
        phone.getByLabel("In Ihren Worten").fill("zwei von zehn");
        button(phone, "Schicken, was ich gefunden habe").click();
        assertThat(heading(phone, "Die Werkstatt weiß")).isFocused();
        assertThat(button(phone, "Ein Foto davon schicken")).isVisible();

        Page desk = signedIn(1280, 800);
        desk.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^" + ref + ".*fault reported")))
                .click();
        assertThat(heading(desk, "wheel nut loose.*zwei von zehn")).isVisible();
        assertThat(desk.getByText("Do not move the vehicle.").first()).isVisible();
        desk.navigate("/gate");
        assertThat(desk.getByText(Pattern.compile("1L fault reported: wheel nut")))
                .isVisible();
        assertThat(desk.getByText(Pattern.compile("^walked round"))).isVisible();

        phone.navigate("/desk");
        assertThat(heading(phone, "Das Fahrzeug nicht bewegen")).isVisible();
        assertThat(phone.getByText("gemacht heute um").first()).isVisible();
    }

    @Test
    void twoManagersOnOneAlertSeeEachOthersStepsAndOverwriteNothing() {
        Trucks truck = new Trucks("TM-", 0x6D0000, 1);
        String ref = truck.ref(0);
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", truck.document());
        hours(truck, 3, 3, hour -> 690, hour -> 25);
        product.post(
                "/api/v1/accounts",
                Product.TOKEN,
                "application/json",
                "{\"userName\":\"plover\",\"displayName\":\"E. Plover\",\"role\":\"MANAGER\",\"password\":\"%s\"}"
                        .formatted(PASSWORD));
        Page one = signedIn(1280, 800);
        Page two = signedInAs("plover", 1280, 800);
        one.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(ref)))
                .first()
                .click();
        assertThat(heading(one, "under its target")).isVisible();
        two.navigate(one.url().replaceAll("^https?://[^/]+", ""));
        assertThat(heading(two, "under its target")).isVisible();

        button(two, "Close C").click();
        two.getByLabel(Pattern.compile("What was found or done")).fill("checked, all is well");
        button(one, "Take in hand T").click();
        assertThat(two.getByText(Pattern.compile("opened.*in hand"))).isVisible();
        button(two, "Close the alert").click();
        assertThat(two.getByText("Something came in between: A. Wren took it in hand."))
                .isVisible();
        assertThat(two.getByLabel(Pattern.compile("What was found or done"))).hasValue("checked, all is well");
        String record =
                product.get("/api/v1/alerts?vehicle=" + ref, Product.TOKEN).body();
        assertThat(record).contains("IN_HAND").doesNotContain("CLOSED");
    }
}
