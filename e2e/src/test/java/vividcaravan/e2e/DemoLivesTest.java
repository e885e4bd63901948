package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The demo by keyboard, and that it lives: what is planted comes, what is recorded stands there. */
class DemoLivesTest extends InDemo {

    @Test
    void theChartIsLookedAtCloserByKeyAndByButton() {
        Page page = newPage(product().address);
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
        Page page = newPage(product().address);
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
        Page page = newPage(product().address);
        enterAs(page, "P. Sedge");
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        page.navigate("/vehicles/GX-05");
        // Figures only: ages would move on without a word from the server.
        Locator gauges = page.locator("table").first().locator("td:nth-child(3)");
        gauges.first().waitFor();
        List<String> before = gauges.allTextContents();

        // The page's own policy forbids evaluating text, so the waiting is done here.
        Patience.comes(() -> !gauges.allTextContents().equals(before), Patience.WITH_A_PAGE);

        assertThat(gauges.allTextContents()).isNotEqualTo(before);
    }

    @Test
    void aPlantedLeakIsOnTheDeskWithinAMinuteOrSo() {
        Page page = newPage(product().address);
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
        Page page = newPage(product().address);
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
        Page page = newPage(product().address);
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
}
