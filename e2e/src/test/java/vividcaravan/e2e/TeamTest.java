package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** People who are asked to join, and see what is theirs. */
class TeamTest extends InOwnFleet {

    /** The first entry of the logbook is to be on its first page. */
    @Override
    boolean isAlone() {
        return true;
    }

    @Test
    void aDriverIsInvitedJoinsAndSeesWhatIsAssignedToThem() {
        describedVehicle("LM-64");
        Page page = signedIn(1280, 800);
        page.navigate("/office/team");
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

        page.navigate("/office/team");
        button(page, "Change the vehicles of D. Unnock").click();
        page.getByLabel("Vehicle", new Page.GetByLabelOptions().setExact(true)).fill("LM-64");
        button(page, "Let them see it").click();
        assertThat(button(page, "D. Unnock no longer sees LM-64")).isVisible();
        other.reload();
        assertThat(other.getByText("LM-64").first()).isVisible();
    }

    @Test
    void whatWasDoneStandsInTheLogbookAndTheBookIsWhole() {
        describedVehicle("LM-65");
        Page page = signedIn(1280, 800);
        page.navigate("/office/logbook");
        assertThat(page.getByText("began this logbook")).isVisible();
        page.getByLabel(Pattern.compile("^\\s*Vehicle")).fill("LM-65");
        page.keyboard().press("Tab");
        assertThat(page.getByText("described LM-65")).isVisible();
        assertThat(page.getByText("began this logbook")).isHidden();
        assertThat(page).hasURL(Pattern.compile(".*vehicle=LM-65.*"));

        button(page, "Show everything").click();
        page.getByLabel(Pattern.compile("^\\s*What\\b")).selectOption("SIGNED_IN");
        assertThat(page.locator("article").getByText("signed in").first()).isVisible();
        assertThat(page.getByText("described LM-65")).isHidden();

        button(page, "Check the book").click();
        assertThat(page.getByText("none changed, missing or added")).isVisible();
        page.navigate("/vehicles/LM-65");
        assertThat(page.getByText("described LM-65")).isVisible();
    }
}
