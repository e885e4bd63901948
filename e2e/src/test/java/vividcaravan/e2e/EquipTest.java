package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** From bare axles to a vehicle whose sensors are proven, as a manager and a technician go the way. */
class EquipTest extends InOwnFleet {

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
        page.navigate("/stores/plans");
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
        assertThat(page.getByText("8 wheels are left.")).isVisible();
        // Nobody said what the air outside has, and the tyres did not stand for hours: nothing is let out, and what a
        // sensor
        // at a rim shows says of no wheel that it is right; a hand gauge does.
        assertThat(page.getByText("may be warm: let it cool, never bleed it hot")
                        .first())
                .isVisible();
        assertThat(page.getByText("let it cool, then use the hand gauge").first())
                .isVisible();
        int left = 8;
        for (String wheel : List.of(
                "axle 1 right",
                "axle 2 left outer",
                "axle 2 left inner",
                "axle 2 right inner",
                "axle 2 right outer",
                "axle 3 left",
                "axle 3 right")) {
            button(page, "I set it: " + wheel + " of LM-61").click();
            page.getByLabel("Hand gauge after").fill("780 kPa");
            button(page, "Record it").click();
            left--;
            assertThat(page.getByText(left == 1 ? "1 wheel is left." : left + " wheels are left."))
                    .isVisible();
        }
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
}
