package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;

/**
 * Somebody who has a keyboard and what a screen reader is told, and nothing else: who goes from stop to stop by Tab, knows of
 * each its role and its name as the browser reckons them, and hears what live regions say. Wherever the focus falls to the
 * page's body, or an act is answered by nothing, it ends there.
 */
final class ByEar {

    private static final int MOST_STOPS = 90;
    /** How often a page that is still coming, and has no stops yet, is waited for. */
    private static final int MOST_LOOKS = 180;

    private static final Duration A_LOOK = Duration.ofMillis(100);
    private static final Duration ANSWER = Duration.ofSeconds(6);
    private static final int MOST_CHOICES = 12;

    /** Keeps what changes in live regions, in the order in which it does. */
    private static final String LISTENING =
            """
            window.heard = [];
            const isLive = (node) => node.closest?.('[aria-live]:not([aria-live=off]),[role=status],[role=alert]');
            new MutationObserver((changes) => {
              for (const change of changes) {
                const at = change.target.nodeType === 1 ? change.target : change.target.parentElement;
                const region = at && isLive(at);
                const fresh = [...change.addedNodes].filter((n) => n.nodeType === 1 && !region)
                  .flatMap((n) => [n, ...n.querySelectorAll('[role=alert],[role=status]')]).filter(isLive);
                for (const one of region ? [region] : fresh) {
                  const text = one.textContent.trim().replace(/\\s+/g, ' ');
                  if (text && window.heard.at(-1) !== text) window.heard.push(text);
                }
              }
            }).observe(document, { subtree: true, childList: true, characterData: true });
            """;

    /** What has the focus. */
    record Stop(String role, String name) {}

    private final Page page;
    private final CDPSession inspector;
    private final List<String> way = new ArrayList<>();
    private int acts;
    private int heardBefore;

    ByEar(Page page) {
        this.page = page;
        page.addInitScript(LISTENING);
        inspector = page.context().newCDPSession(page);
    }

    /** What was pressed and typed so far, a Tab not counted. */
    int acts() {
        return acts;
    }

    Stop stop() {
        JsonObject asked = new JsonObject();
        asked.addProperty("expression", "document.activeElement");
        JsonObject element = inspector.send("Runtime.evaluate", asked).getAsJsonObject("result");
        JsonObject which = new JsonObject();
        which.add("objectId", element.get("objectId"));
        which.addProperty("fetchRelatives", false);
        JsonArray nodes =
                inspector.send("Accessibility.getPartialAXTree", which).getAsJsonArray("nodes");
        JsonObject node = nodes.get(0).getAsJsonObject();
        return new Stop(value(node, "role"), value(node, "name"));
    }

    private static String value(JsonObject node, String key) {
        JsonElement found = node.get(key);
        JsonElement value = found == null ? null : found.getAsJsonObject().get("value");
        return value == null ? "" : value.getAsString().replaceAll("\\s+", " ").strip();
    }

    private boolean isLost() {
        return (Boolean) page.evaluate("document.activeElement === document.body || document.activeElement === null");
    }

    /** Goes on by Tab until what has the focus is called so. A page that is still coming has no stops; it is waited for. */
    ByEar goTo(String role, String name) {
        Pattern wanted = Pattern.compile(name);
        List<String> passed = new ArrayList<>();
        for (int looks = 0; passed.size() < MOST_STOPS && looks < MOST_STOPS + MOST_LOOKS; looks++) {
            if (isLost()) {
                Patience.comes(() -> !isLost(), A_LOOK);
            } else {
                Stop stop = stop();
                if (stop.role().matches(role) && wanted.matcher(stop.name()).find()) {
                    way.add(stop.role() + " “" + stop.name() + "”");
                    return this;
                }
                passed.add(stop.role() + " “" + stop.name() + "”");
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("no " + role + " “" + name + "” within " + MOST_STOPS + " stops of " + page.url()
                + "; passed " + passed.stream().distinct().toList() + "; came by " + way);
    }

    /** Goes there and presses a key, and waits until that is answered: by speech, by another page or by a move of the focus. */
    ByEar press(String role, String name, String key) {
        goTo(role, name);
        Stop at = stop();
        String url = page.url();
        String state = state();
        key(key);
        int before = heardBefore;
        BooleanSupplier isAnswered = () -> !isLost()
                && (!page.url().equals(url) || heardCount() > before || !stop().equals(at) || !state().equals(state));
        if (Patience.comes(isAnswered, ANSWER)) {
            return this;
        }
        assertThat(isLost())
                .as("the focus fell to the page’s body behind %s; came by %s", at, way)
                .isFalse();
        throw new AssertionError("nothing answered " + at + " at " + url + "; came by " + way);
    }

    /** What a screen reader says of a stop beyond its name. */
    private String state() {
        return (String) page.evaluate(
                "['aria-expanded','aria-checked','aria-pressed','aria-selected','aria-valuetext','aria-current','checked','value','open']"
                        + ".map((n) => document.activeElement[n] ?? document.activeElement.getAttribute(n)).join()");
    }

    private int heardCount() {
        return ((Number) page.evaluate("window.heard.length")).intValue();
    }

    ByEar press(String role, String name) {
        return press(role, name, "Enter");
    }

    /** Goes to a choice as it stands, and by arrow to another of its group. */
    ByEar choose(String from, String to) {
        goTo("radio", from);
        Pattern wanted = Pattern.compile(to);
        for (int i = 0; i < MOST_CHOICES; i++) {
            if (wanted.matcher(stop().name()).find()) {
                return this;
            }
            key("ArrowRight");
        }
        throw new AssertionError("no choice “" + to + "” beside “" + from + "” at " + page.url());
    }

    /** Goes to a field, empties it and types. */
    ByEar type(String name, String text) {
        goTo("textbox|combobox|searchbox|spinbutton", name);
        page.keyboard().press("ControlOrMeta+A");
        page.keyboard().type(text);
        acts++;
        return this;
    }

    /** Presses a key wherever the focus is. */
    ByEar key(String key) {
        if (!key.equals("Tab")) {
            // Told once more after this, a text counts again.
            heardBefore = ((Number) page.evaluate("window.heard.push('')")).intValue();
            acts++;
        }
        page.keyboard().press(key);
        return this;
    }

    /** Waits until it is told, since the last key: what was told of another wheel before is no answer. */
    ByEar hears(String text) {
        Pattern wanted = Pattern.compile(text);
        if (Patience.comes(
                () -> heardSinceTheKey().stream()
                        .anyMatch(said -> wanted.matcher(said).find()),
                ANSWER.multipliedBy(3))) {
            return this;
        }
        throw new AssertionError(
                "“" + text + "” was not told at " + page.url() + "; heard " + heard() + "; came by " + way);
    }

    /** A page that was loaded anew since has heard nothing of what was before. */
    private List<String> heardSinceTheKey() {
        List<String> heard = heard();
        return heard.size() < heardBefore ? heard : heard.subList(heardBefore, heard.size());
    }

    @SuppressWarnings("unchecked")
    List<String> heard() {
        return (List<String>) page.evaluate("window.heard");
    }
}
