package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A fleet of two thousand vehicles with twenty thousand wheels, and a connection that breaks. */
class ManyVehiclesTest extends InOwnFleet {

    @Override
    boolean isAlone() {
        return true;
    }

    private static final int VEHICLES = 2_000;

    @BeforeAll
    void bringInTheFleet() {
        for (int from = 0; from < VEHICLES; from += 500) {
            String vehicles = IntStream.range(from, from + 500)
                    .mapToObj(ManyVehiclesTest::vehicle)
                    .collect(Collectors.joining(","));
            Assertions.assertThat(product.post(
                                    "/api/v1/fleet-imports",
                                    Product.TOKEN,
                                    "application/json",
                                    "{\"format\":\"vivid-caravan-fleet\",\"version\":1,\"vehicles\":[" + vehicles
                                            + "]}")
                            .statusCode())
                    .isEqualTo(200);
        }
    }

    private static String code(int vehicle, int wheel) {
        return String.format("%06X", 0x200000 + vehicle * 10 + wheel);
    }

    private static String vehicle(int number) {
        String[] positions = {"1L", "1R", "2LO", "2LI", "2RI", "2RO", "3LO", "3LI", "3RI", "3RO"};
        String sensors = IntStream.range(0, positions.length)
                .mapToObj(w -> "{\"position\":\"" + positions[w] + "\",\"code\":\"" + code(number, w)
                        + "\",\"fittedAt\":\"2026-01-01T00:00:00Z\"}")
                .collect(Collectors.joining(","));
        return ("{\"ref\":\"VC-%05d\",\"kind\":\"RIGID_TRUCK\",\"depot\":\"Depot %d\",\"axles\":["
                        + "{\"role\":\"STEER\",\"wheels\":\"SINGLE\",\"coldPressureKpa\":850},"
                        + "{\"role\":\"DRIVE\",\"wheels\":\"TWIN\",\"coldPressureKpa\":850},"
                        + "{\"role\":\"DRIVE\",\"wheels\":\"TWIN\",\"coldPressureKpa\":850}],\"sensors\":[%s]}")
                .formatted(number, number % 5, sensors);
    }

    private void flatten(int vehicle) {
        Instant now = Instant.now();
        String readings = IntStream.range(0, 3)
                .mapToObj(i -> "{\"sensor\":\"" + code(vehicle, 2) + "\",\"at\":\"" + now.plusMillis(i)
                        + "\",\"pressureKpa\":500,\"temperatureC\":20}")
                .collect(Collectors.joining(",", "[", "]"));
        product.readings(Product.TOKEN, readings);
    }

    @Test
    void aLongListIsDrawnWhereItIsLookedAtAndAnAlertComesThrough() {
        Page page = signedIn(1280, 800);

        page.navigate("/vehicles");
        Locator rows = page.getByRole(AriaRole.ROW);
        rows.nth(5).waitFor();
        assertThat(page.getByRole(AriaRole.TABLE)).hasAttribute("aria-rowcount", Integer.toString(VEHICLES + 5 + 1));
        Assertions.assertThat(rows.count()).isLessThan(80);

        page.keyboard().press("End");
        assertThat(page.getByText("VC-01999")).isVisible();
        Assertions.assertThat(rows.count()).isLessThan(80);

        page.getByPlaceholder("ref, plate, depot or sensor code").fill(code(1234, 7));
        assertThat(page.getByText("VC-01234")).isVisible();
        assertThat(rows).hasCount(3);

        flatten(1234);
        assertThat(page.getByText("Stop now").first()).isVisible();
    }

    @Test
    void aLostConnectionIsSaidAndComesBackByItself() {
        Page page = signedIn(1280, 800);
        assertThat(page.getByText("live", new Page.GetByTextOptions().setExact(true)))
                .isVisible();

        page.context().setOffline(true);
        assertThat(page.getByText("The connection is lost")).isVisible();
        assertThat(page.getByText("it comes back by itself")).isVisible();
        page.context().setOffline(false);

        assertThat(page.getByText("The connection is lost")).isHidden();
        flatten(7);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))
                        .filter(new Locator.FilterOptions().setHasText("VC-00007")))
                .isVisible();
    }

    @Test
    void afterARestartOfTheServerThePageAsksToSignInAgainAndGoesOnWhereItWas() {
        Page page = signedIn(1280, 800);
        page.navigate("/vehicles/VC-00042");
        assertThat(page.getByText("live", new Page.GetByTextOptions().setExact(true)))
                .isVisible();

        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("VC-00042")))
                .isVisible();

        product.kill();
        assertThat(page.getByText("The connection is lost")).isVisible();
        restart();

        page.waitForURL("**/sign-in?then=/vehicles/VC-00042");
        page.getByLabel("User name").fill("wren");
        page.getByLabel("Password").fill(PASSWORD);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in"))
                .click();
        page.waitForURL(address -> address.endsWith("/vehicles/VC-00042") && !address.contains("?"));
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("VC-00042")))
                .isVisible();
    }
}
