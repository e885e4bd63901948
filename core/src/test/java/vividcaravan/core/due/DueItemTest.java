package vividcaravan.core.due;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.core.tyres.TreadWear;

class DueItemTest {

    private static final long DAY = Duration.ofDays(1).toMillis();

    @Test
    void theNutsOfAVehicleAreOneVisitByTheFirstOfThem() {
        List<Retorque> loose = List.of(
                new Retorque(Position.parse("2R"), 0, 9 * DAY, 80, null),
                new Retorque(Position.parse("1L"), 0, 5 * DAY, 80, null));

        DueItem item = DueItem.ofNuts("GX-05", loose, 0, null).orElseThrow();

        assertThat(item.dueAt()).isEqualTo(5 * DAY);
        assertThat(item.words()).startsWith("Tighten the wheel nuts again: 1L, 2R.");
        assertThat(DueItem.ofNuts("GX-05", List.of(), 0, null)).isEmpty();
    }

    @Test
    void aTreadIsDueOnceItsForecastIsNearEnoughToPlanBy() {
        TreadWear near = new TreadWear(0.5, null, 180 * DAY);
        TreadWear far = new TreadWear(0.5, null, 181 * DAY);
        TreadWear past = new TreadWear(0.5, null, -DAY);

        assertThat(DueItem.ofTread("GX-05 2LO", 4, near, 0))
                .hasValueSatisfying(item -> assertThat(item.dueAt()).isEqualTo(180 * DAY));
        assertThat(DueItem.ofTread("GX-05 2LO", 4, far, 0)).isEmpty();
        assertThat(DueItem.ofTread("GX-05 2LO", 4, past, 0)).isPresent();
    }
}
