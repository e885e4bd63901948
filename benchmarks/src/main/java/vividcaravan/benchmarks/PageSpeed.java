package vividcaravan.benchmarks;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a person waits for in a browser, with thousands of vehicles and readings streaming in. */
final class PageSpeed {

    private static final int WHEELS_OF_A_VEHICLE = 10;
    private static final int TIMES = 10;
    private static final int RATE = 2_000;

    /** Scrolls down forty screens, a screen every two frames; gives the mean and the longest time of a screen. */
    private static final String SCROLL =
            """
            async () => {
              const times = [];
              for (let i = 0; i < 40; i++) {
                const from = performance.now();
                window.scrollBy(0, 700);
                await Promise.race([
                  new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
                  // A browser without a screen now and then draws no frame at all; that counts as a second.
                  new Promise((done) => setTimeout(done, 1000)),
                ]);
                times.push(performance.now() - from);
              }
              return [times.reduce((a, b) => a + b) / times.length, Math.max(...times)];
            }""";

    /** Notes when each vehicle first has a line in the queue; asking from outside would be late under this load. */
    private static final String NOTE_LINES =
            """
            () => {
              window.seen = {};
              new MutationObserver(() => {
                for (const line of document.querySelectorAll('[data-alert]')) {
                  const ref = /VC-\\d{5}/.exec(line.textContent)?.[0];
                  if (ref) window.seen[ref] ??= Date.now();
                }
              }).observe(document.body, { childList: true, subtree: true });
            }""";

    private PageSpeed() {}

    static void measure(int vehicles) throws IOException, InterruptedException {
        try (ProductUnderLoad product = ProductUnderLoad.start();
                Playwright playwright = Playwright.create();
                Browser browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setArgs(List.of("--no-sandbox", "--disable-quic", "--no-first-run")))) {
            LoadFleet fleet = new LoadFleet(vehicles * WHEELS_OF_A_VEHICLE);
            fleet.importInto(product);
            Senders senders = new Senders(product, fleet, 4, 50);
            senders.send(10, RATE);
            Page page = browser.newPage(new Browser.NewPageOptions().setBaseURL(product.address.toString()));
            signUp(product, page);
            list(page, fleet);
            Thread load = new Thread(() -> {
                try {
                    senders.send(90, RATE);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
            load.start();
            desk(product, page, fleet);
            load.interrupt();
        }
    }

    private static void signUp(ProductUnderLoad product, Page page) throws IOException {
        Matcher link = Pattern.compile("/set-up#\\S+").matcher(Files.readString(product.folder.resolve("log")));
        if (!link.find()) {
            throw new IllegalStateException("no set-up link in the log");
        }
        page.navigate(link.group());
        page.getByLabel("User name").fill("wren");
        page.getByLabel("Your name").fill("A. Wren");
        page.getByLabel("Password").fill("four words in a row");
        page.getByText("Make the account").last().click();
        page.waitForURL("**/desk");
    }

    private static void list(Page page, LoadFleet fleet) {
        Latencies latencies = new Latencies();
        for (int i = 0; i < TIMES; i++) {
            long from = System.nanoTime();
            page.navigate("/vehicles");
            page.getByText("VC-00000").first().waitFor();
            latencies.add(System.nanoTime() - from);
        }
        System.out.printf(
                "page: Vehicles with %,d wheels, from the address to its first lines: %s%n", fleet.sensors, latencies);
        Object scrolled = page.evaluate(SCROLL);
        System.out.printf(Locale.ROOT, "  scrolling, milliseconds a screen (mean, longest): %s%n", scrolled);
    }

    private static void desk(ProductUnderLoad product, Page page, LoadFleet fleet)
            throws IOException, InterruptedException {
        page.navigate("/desk");
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        page.evaluate(NOTE_LINES);
        Latencies latencies = new Latencies();
        for (int i = 0; i < TIMES; i++) {
            int sensor = fleet.sensors - 10 * (i + 1);
            StringBuilder flat = new StringBuilder("[");
            for (int n = 0; n < 3; n++) {
                flat.append(n == 0 ? "" : ",")
                        .append("{\"sensor\":\"")
                        .append(LoadFleet.code(sensor))
                        .append("\",\"at\":\"")
                        .append(Instant.ofEpochMilli(System.currentTimeMillis() + n))
                        .append("\",\"pressureKpa\":500,\"temperatureC\":20}");
            }
            long from = System.currentTimeMillis();
            product.post("/api/v1/readings", flat.append("]").toString());
            String vehicle = String.format("VC-%05d", sensor / 10);
            page.locator("[data-alert]")
                    .filter(new Locator.FilterOptions().setHasText(vehicle))
                    .waitFor();
            double seen = ((Number) page.evaluate("vehicle => window.seen[vehicle]", vehicle)).doubleValue();
            latencies.add(Math.round((seen - from) * 1e6));
            Thread.sleep(1_500);
        }
        System.out.printf(
                "page: an alert on the open Desk after its reading was sent, at %,d readings/s: %s%n", RATE, latencies);
    }
}
