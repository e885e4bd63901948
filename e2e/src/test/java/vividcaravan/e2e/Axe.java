package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.microsoft.playwright.Page;
import java.util.List;

/** What axe finds on a page; nothing is wanted. */
final class Axe {

    /** A rule of axe's that is looked at by itself. */
    static final String CONTRAST = "color-contrast";

    static final String TARGETS = "target-size";

    private Axe() {}

    /** What passed is not asked for, and a page without frames needs no second page to gather them: half the time. */
    private static AxeRunOptions violationsOnly() {
        AxeRunOptions options = new AxeRunOptions();
        options.setResultTypes(List.of("violations"));
        options.setIFrames(false);
        return options;
    }

    /**
     * Asserts that nothing is found on a page, and that it fits a phone where it is as wide as one.
     *
     * @param rules the only ones that are looked at; none: all
     */
    static void assertNothingFound(Page page, String screen, String... rules) {
        OnAPhone.assertFits(page, screen);
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing sticks out at the side of %s", screen)
                .isTrue();
        // What follows from how wide things came out to be is drawn a frame later.
        page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
        AxeBuilder axe = new AxeBuilder(page).setLegacyMode(true);
        axe.options(violationsOnly());
        if (rules.length > 0) {
            axe.withRules(List.of(rules));
        }
        AxeResults results = axe.analyze();
        assertThat(results.getViolations().stream()
                        .map(v -> screen + ": " + v.getId() + " "
                                + v.getNodes().stream()
                                        .map(node -> node.getHtml())
                                        .limit(3)
                                        .toList()))
                .isEmpty();
    }
}
