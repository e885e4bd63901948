package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ExposureTest {

    @Test
    void anHourCountsByItsMeanAndByItsHottest() {
        assertThat(Exposure.NONE.plusHour(900, 1_000, 70)).isEqualTo(new Exposure(1, 0, 0, 0));
        assertThat(Exposure.NONE.plusHour(899, 1_000, 70.1)).isEqualTo(new Exposure(1, 1, 0, 1));
        assertThat(Exposure.NONE.plusHour(799, 1_000, 20)).isEqualTo(new Exposure(1, 1, 1, 0));
    }

    @Test
    void hoursAddUp() {
        Exposure low = Exposure.NONE.plusHour(700, 1_000, 80).plusHour(700, 1_000, 20);
        assertThat(low).isEqualTo(new Exposure(2, 2, 2, 1));
    }
}
