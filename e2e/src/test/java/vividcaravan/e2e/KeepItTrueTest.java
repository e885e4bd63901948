package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Wheels change places and tyres are changed: the map follows, and the nuts are asked for until they are tightened. */
class KeepItTrueTest extends InOwnFleet {

    /** Straps inside in front, caps behind. */
    private void bringIn(String ref, String codes) {
        String fitted = "\"fittedAt\": \"2026-01-01T00:00:00Z\" }";
        String document =
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "%1$s", "kind": "RIGID_TRUCK",
                  "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                             { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 700 } ],
                  "sensors": [ { "position": "1L", "code": "%2$s01", "mount": "STRAP", %3$s,
                               { "position": "1R", "code": "%2$s02", "mount": "STRAP", %3$s,
                               { "position": "2L", "code": "%2$s03", "mount": "CAP", %3$s,
                               { "position": "2R", "code": "%2$s04", "mount": "CAP", %3$s ] } ] }"""
                        .formatted(ref, codes, fitted);
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", document)
                        .statusCode())
                .isEqualTo(200);
    }

    private static Locator wheel(Page page, String position) {
        return page.locator("[data-wheel='" + position + "']");
    }

    /** A wheel after a move that is looked at, and who reports for it. */
    private static void reports(Page page, String wheel, String sensor) {
        assertThat(page.getByRole(AriaRole.LISTITEM)
                        .filter(new Locator.FilterOptions()
                                .setHasText(Pattern.compile(wheel + "\\s*reported by\\s*" + sensor))))
                .isVisible();
    }

    @Test
    void aRotationWithSensorsInsideAndCapsIsLookedAtStoredAndUndone() {
        bringIn("KT-01", "7A00");
        Page page = signedIn(1280, 900);
        page.navigate("/workshop/moves?vehicle=KT-01");
        button(page, "side to side").click();

        reports(page, "KT-01 1L", "7A0002");
        reports(page, "KT-01 1R", "7A0001");
        reports(page, "KT-01 2L", "7A0003");
        button(page, "Store this move").click();
        assertThat(page.getByText("Stored: 4 tyres are where you said.")).isVisible();

        page.navigate("/vehicles/KT-01");
        assertThat(page.getByText("Retorque wheel nuts: 1L, 1R, 2L, 2R")).isVisible();
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("^1R .*7A0001"))))
                .isVisible();

        page.navigate("/workshop/due");
        assertThat(page.getByText("Tighten the wheel nuts again: 1L, 1R, 2L, 2R."))
                .isVisible();
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("KT-01")))
                .isVisible();

        page.navigate("/workshop/moves?vehicle=KT-01");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo")))
                .click();
        assertThat(page.getByText(Pattern.compile("^undone "))).isVisible();
        assertThat(product.get("/api/v1/vehicles/KT-01/retorques", Product.TOKEN)
                        .body())
                .isEqualTo("{\"items\":[]}");
    }

    @Test
    void aWheelIsDraggedAndTheOneThatMakesRoomIsAskedFor() {
        bringIn("KT-02", "7B00");
        Page page = signedIn(1280, 900);
        page.navigate("/workshop/moves?vehicle=KT-02");
        BoundingBox from = wheel(page, "1L").boundingBox();
        BoundingBox to = wheel(page, "1R").boundingBox();

        page.mouse().move(from.x + 20, from.y + 10);
        page.mouse().down();
        page.mouse().move(to.x + 20, to.y + 10);
        page.mouse().up();

        assertThat(page.getByText("Where does the tyre of KT-02 1R go?")).isVisible();
        assertThat(button(page, "Store this move")).isDisabled();
        wheel(page, "1L").focus();
        page.keyboard().press("Enter");
        reports(page, "KT-02 1L", "7B0002");
        assertThat(button(page, "Store this move")).isEnabled();
    }

    @Test
    void aTyreIsChangedFromTheStoreToTheTightenedNutsAndHasALife() {
        bringIn("KT-03", "7C00");
        Page page = signedIn(1280, 900);
        page.navigate("/stores/tyres");
        button(page, "Take a tyre in").click();
        fill(page, "Size, as on the sidewall", "315/80 R22.5");
        fill(page, "Maker", "Tarnfell");
        fill(page, "Date code, four digits", "9999");
        button(page, "Take it in").click();
        assertThat(page.getByText(Pattern.compile("Its date code:")).first()).isVisible();
        fill(page, "Date code, four digits", "0826");
        fill(page, "Where it lies", "Larkmoor");
        button(page, "Take it in").click();
        assertThat(page).hasURL(Pattern.compile(".*/stores/tyres/\\d+"));
        String id = page.url().replaceAll(".*/", "");
        fill(page, "Shallowest point, mm", "14.5");
        button(page, "Keep it").click();
        assertThat(page.getByText("14.5 mm")).isVisible();

        page.navigate("/workshop/moves?vehicle=KT-03");
        wheel(page, "1L").click();
        button(page, "Scrap it").click();
        page.getByLabel("Or bring one that lies somewhere").selectOption(new SelectOption().setValue(id));
        wheel(page, "1L").click();
        assertThat(button(page, "Store this move")).isEnabled();
        // Taken out of the old tyre and put into the new one.
        page.getByLabel(Pattern.compile("its sensor 7C0001")).selectOption(new SelectOption().setValue("STAYS"));
        reports(page, "KT-03 1L", "7C0001");
        assertThat(button(page, "Store this move")).isEnabled();
        button(page, "Store this move").click();
        assertThat(page.getByText("Stored: 2 tyres are where you said.")).isVisible();

        product.post(
                "/api/v1/accounts",
                Product.TOKEN,
                "application/json",
                "{\"userName\":\"nuts-driver\",\"displayName\":\"O. Tansley\",\"role\":\"DRIVER\",\"password\":\"%s\"}"
                        .formatted(PASSWORD));
        product.put("/api/v1/accounts/nuts-driver/vehicles", Product.TOKEN, "{\"vehicles\":[\"KT-03\"]}");
        Page phone = newPage(product.address, 390, 844, ColorScheme.LIGHT);
        phone.navigate("/sign-in");
        fill(phone, "User name", "nuts-driver");
        phone.getByLabel("Password").fill(PASSWORD);
        button(phone, "Sign in").click();
        choice(phone, "Language", "Deutsch").click();
        assertThat(phone.getByText("Radmuttern nachziehen")).isVisible();
        fill(phone, "Drehmoment in Nm, falls bekannt", "600");
        phone.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sie sind nachgezogen")))
                .click();
        assertThat(phone.getByText("Die Werkstatt weiß es.").first()).isVisible();
        assertThat(product.get("/api/v1/vehicles/KT-03/retorques", Product.TOKEN)
                        .body())
                .isEqualTo("{\"items\":[]}");

        page.navigate("/stores/tyres/" + id);
        assertThat(page.getByText("KT-03 1L", new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        assertThat(page.getByText(Pattern.compile("in store \\(Larkmoor\\)"))).isVisible();
    }
}
