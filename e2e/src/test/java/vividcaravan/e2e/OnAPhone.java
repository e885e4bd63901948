package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;

/** What a phone in a gloved hand asks of a page: nothing is cut off at the side, and whatever is aimed at is 44 px high. */
final class OnAPhone {

    /** Narrower than this the page is laid out for a phone. */
    private static final int WIDTH = 640;

    /** Links within a sentence are read rather than aimed at; a strip's wheels are in a table beside it too. */
    private static final String MISFITS =
            """
            () => {
              const width = document.documentElement.clientWidth;
              const name = (one) => (one.textContent || one.getAttribute('aria-label') || '').trim().slice(0, 30);
              const isInSentence = (one) => {
                const text = one.closest('p, li, td, th, dd');
                return one.matches('a, button.link')
                  && text && text.textContent.trim().length > one.textContent.trim().length + 3;
              };
              const isSeen = (one) => {
                const box = one.getBoundingClientRect();
                return box.width > 1 && box.height > 1 && getComputedStyle(one).visibility !== 'hidden';
              };
              const low = [...document.querySelectorAll(
                'button, a[href], select, textarea, summary, [role=radio], input:not([type=checkbox], [type=radio])')]
                .filter((one) => isSeen(one) && one.getBoundingClientRect().height < 43.5)
                .filter((one) => !isInSentence(one) && !one.closest('svg, .spoken') && !one.matches('[href="#main"]'))
                .map((one) => `low: ${one.tagName} ${name(one)} ${Math.round(one.getBoundingClientRect().height)}`);
              const cut = [...document.querySelectorAll('main *')]
                .filter((one) => isSeen(one) && one.getBoundingClientRect().right > width + 1)
                .filter((one) => !one.closest('.overflow-x-auto, svg *'))
                .map((one) => `cut: ${one.tagName} ${name(one)}`);
              return [...new Set([...cut.slice(0, 5), ...low])];
            }""";

    private OnAPhone() {}

    /** Asserts it, if the page is as wide as a phone. */
    static void assertFits(Page page, String screen) {
        if (page.viewportSize().width < WIDTH) {
            assertThat((List<?>) page.evaluate(MISFITS)).as(screen).isEmpty();
        }
    }
}
