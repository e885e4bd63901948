package vividcaravan.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** A walk through every screen of the demo, each of which is looked at as its caller says. */
final class EveryScreen {

    /** Looks at a screen, which is called so. */
    interface Look {
        void at(Page page, String screen);
    }

    private final Look look;

    EveryScreen(Look look) {
        this.look = look;
    }

    /** Describing, limits, and every stage of a fit-out. */
    private void equip(Page page) {
        page.navigate("/describe");
        page.getByText("Tractor unit 6x4").waitFor();
        look.at(page, "layouts");
        page.getByText("Tractor unit 6x4").click();
        page.getByText("Many like this").waitFor();
        look.at(page, "describing");
        page.navigate("/office/limits");
        page.getByRole(AriaRole.SLIDER).first().waitFor();
        look.at(page, "limits");
        page.navigate("/workshop");
        page.getByText("Fit another vehicle").waitFor();
        Locator open =
                page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^LM-40 fit-out")));
        if (open.count() == 0) {
            page.getByLabel(Pattern.compile("^\\s*Vehicle\\b")).selectOption("LM-40");
            page.getByLabel("Sensors held").selectOption("GLUED");
            look.at(page, "workshop");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job"))
                    .click();
        } else {
            open.click();
        }
        for (String stage : List.of("Inspect", "Mount", "Pair", "Prove")) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + stage)))
                    .click();
            look.at(page, "fit-out, " + stage);
        }
        String job = page.url();
        page.navigate(job + "/bench");
        page.getByLabel("Code for", new Page.GetByLabelOptions()).first().waitFor();
        page.getByText("Paste a list").click();
        look.at(page, "bench list");
        page.navigate(job + "/record");
        page.locator("table").first().waitFor();
        look.at(page, "record");
        planAndRound(page);
        page.navigate("/vehicles/GX-05");
        page.locator("table").first().waitFor();
    }

    private void planAndRound(Page page) {
        page.navigate("/stores/plans");
        page.getByLabel("Add a vehicle").fill("GT-18");
        page.getByLabel("Add a vehicle").press("Enter");
        page.getByText("2 wheels without a sensor").waitFor();
        look.at(page, "kit planner");
        page.getByText("Keep this plan").click();
        page.getByText("Put it aside").waitFor();
        look.at(page, "kit plan");
        page.navigate("/workshop");
        page.getByLabel("Add a vehicle").fill("GX-05");
        page.getByLabel("Add a vehicle").press("Enter");
        page.getByText("Begin the round").click();
        page.getByText("Give the round up").waitFor();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^It (stays|is)")))
                .first()
                .click();
        look.at(page, "pressure round");
        page.navigate("/office/targets");
        page.getByText("315/80 R22.5").waitFor();
        look.at(page, "load tables");
        page.navigate("/office/mail");
        page.getByText("No mail leaves from here").waitFor();
        look.at(page, "mail");
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
            look.at(page, path);
        });
        page.navigate("/join#nothing");
        page.getByText("This link was used").waitFor();
        look.at(page, "join");
    }

    /** From the sign-in on; leaves the demo as it was but for a job and a plan. */
    void walk(Page page) {
        page.navigate("/sign-in");
        page.getByText("Come in as").waitFor();
        look.at(page, "sign-in");
        InDemo.enterAs(page, "I. Marrable");

        page.getByText("BV-03").first().waitFor();
        look.at(page, "desk");
        page.locator("[data-alert]").first().click();
        page.getByText("What is likely behind it").waitFor();
        page.locator("canvas").first().waitFor();
        look.at(page, "alert");
        page.getByText("as a table", new Page.GetByTextOptions().setExact(true)).click();
        look.at(page, "alert with its table");
        for (String key : List.of("c", "g", "i", "?", "/")) {
            page.keyboard().press(key);
            page.getByRole(AriaRole.DIALOG).waitFor();
            look.at(page, "dialog of " + key);
            page.keyboard().press("Escape");
            page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
        }

        repair(page);
        page.navigate("/vehicles");
        page.getByRole(AriaRole.ROW).nth(3).waitFor();
        look.at(page, "vehicles");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Departure list"))
                .click();
        page.getByText("Must not leave").first().waitFor();
        look.at(page, "departure list");
        page.navigate("/demo");
        page.getByText("What was planted").waitFor();
        look.at(page, "demo");
        for (String path : List.of("/vehicles/GX-05", "/vehicles/GT-18", "/stores/sensors")) {
            page.navigate(path);
            page.locator("table").first().waitFor();
            look.at(page, path);
        }
        equip(page);
        page.navigate("/vehicles/GX-05");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Record a pressure that was set"))
                .click();
        page.getByRole(AriaRole.DIALOG).waitFor();
        look.at(page, "recording a pressure");
        outOfService(page);
    }

    /** A wheel and back, since the demo goes on being looked at. */
    private void outOfService(Page page) {
        page.navigate("/vehicles/GX-05");
        page.getByText("Take out of service").click();
        page.getByLabel("What?").selectOption("1L");
        page.getByLabel("Why?").fill("lent to another");
        look.at(page, "taking out of service");
        page.getByText("Take it out").click();
        Locator back = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Back into service.*1L")));
        back.waitFor();
        look.at(page, "a wheel out of service");
        back.click();
        back.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }

    /** Several alerts chosen, a job from one of them, and the page of its driver. */
    private void repair(Page page) {
        page.navigate("/desk");
        page.locator("nav [type=checkbox]").nth(1).check();
        page.getByText("1 chosen").waitFor();
        look.at(page, "chosen alerts");
        page.getByText("Choose none").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^LM-22")))
                .click();
        page.getByText("What is likely behind it").waitFor();
        String id = page.url().replaceAll(".*/", "");
        page.keyboard().press("j");
        page.getByText("The workshop has a job for it")
                .filter(new Locator.FilterOptions().setVisible(true))
                .waitFor();
        look.at(page, "alert with a job");
        page.navigate("/workshop/repairs/" + id);
        page.getByText("What was done?").waitFor();
        look.at(page, "repair");
    }
}
