package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.core.alert.AlertState.ACKNOWLEDGED;
import static vividcaravan.core.alert.AlertState.CLOSED;
import static vividcaravan.core.alert.AlertState.IN_HAND;
import static vividcaravan.core.alert.AlertState.NEW;
import static vividcaravan.core.alert.AlertState.RECOVERED;
import static vividcaravan.core.alert.AlertState.SHELVED;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class AlertStateTest {

    /** After IEC 62682 / ISA-18.2, from memory: what is not listed is not allowed. */
    private static final Map<AlertState, Set<AlertState>> ALLOWED = new EnumMap<>(Map.of(
            NEW, Set.of(ACKNOWLEDGED, IN_HAND, RECOVERED, SHELVED, CLOSED),
            ACKNOWLEDGED, Set.of(NEW, IN_HAND, RECOVERED, SHELVED, CLOSED),
            IN_HAND, Set.of(NEW, RECOVERED, CLOSED),
            RECOVERED, Set.of(NEW, CLOSED),
            SHELVED, Set.of(NEW, RECOVERED, CLOSED),
            CLOSED, Set.of(NEW)));

    @Test
    void everyOrderedPairIsAllowedOrNotAsListed() {
        for (AlertState from : AlertState.values()) {
            for (AlertState to : AlertState.values()) {
                assertThat(from.allows(to))
                        .as("%s to %s", from, to)
                        .isEqualTo(ALLOWED.get(from).contains(to));
            }
        }
    }
}
