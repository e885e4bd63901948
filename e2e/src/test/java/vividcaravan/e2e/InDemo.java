package vividcaravan.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;

/**
 * Tests that look at the demo. It takes a while until its past is in place, so all that run in one process share one, and the
 * first of all processes keeps a copy of that past for the others.
 */
abstract class InDemo extends InBrowser {

    static final String MANAGER = "{\"userName\":\"marrable\",\"password\":\"larkmoor-manager\"}";

    private static final Path PAST = Path.of("target/demo-past").toAbsolutePath();

    private static Product shared;

    static synchronized Product product() {
        if (shared == null) {
            Path folder = Product.newFolder();
            Product.copyOnce(PAST, folder, InDemo::makePast);
            shared = start(folder);
            shared.waitForLog("from now on it lives");
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                shared.kill();
                Product.deleteFolder(folder);
            }));
        }
        return shared;
    }

    private static void makePast(Path folder) {
        try (Product first = start(folder)) {
            first.waitForLog("from now on it lives");
        }
    }

    static Product start(Path folder) {
        return Product.start(folder, Map.of("VIVID_DEMO", "true", "VIVID_API_TOKEN", Product.TOKEN));
    }

    /** A folder of its own with the demo's past. */
    static void fill(Path folder) {
        Product.copyOnce(PAST, folder, InDemo::makePast);
    }

    @BeforeAll
    static void begin() {
        product();
    }

    static void enterAs(Page page, String name) {
        page.navigate("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .click();
        page.waitForURL("**/desk");
    }
}
