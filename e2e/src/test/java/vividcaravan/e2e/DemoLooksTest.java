package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.api.Test;

/** Every screen of the demo by daylight at a desk, under all of axe's rules. */
class DemoLooksTest extends InDemo {

    @Test
    void axeFindsNothing() {
        new EveryScreen((page, screen) -> Axe.assertNothingFound(page, screen))
                .walk(newPage(product().address, 1280, 800, ColorScheme.LIGHT));
    }

    @Test
    void axeFindsWhatIsWrong() {
        Page page = newPage(product().address);
        page.navigate("/sign-in");
        page.getByText("Come in as").waitFor();

        page.evaluate("() => document.querySelector('main').append(document.createElement('img'))");

        assertThatThrownBy(() -> Axe.assertNothingFound(page, "sign-in"))
                .isInstanceOf(AssertionError.class)
                .hasMessageContaining("image-alt");
    }
}
