package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class EvidenceTest {

    @Test
    void whetherItIsParkedIsAsItIsNow() {
        Evidence parked = AlertTest.found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 1_000, false)
                .evidence()
                .measuring(2_000, 640, 640, 20, null, false);
        Evidence driving = parked.measuring(3_000, 640, 640, 20, null, true);
        Evidence unknown = parked.measuring(3_000, 640, 640, 20, null, null);

        assertThat(parked.isParked()).isTrue();
        assertThat(driving.isParked()).isFalse();
        assertThat(unknown.isParked()).as("nobody says that it stands").isFalse();
    }
}
