package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NeighbourhoodTest {

    /** RFC 6177: a site is handed out no less than a /64. */
    @ParameterizedTest
    @CsvSource({
        "2001:db8:1:2::1, 2001:db8:1:2:ffff::9, true",
        "2001:db8:1:2::1, 2001:db8:1:3::1, false",
        "203.0.113.7, 203.0.113.7, true",
        "203.0.113.7, 203.0.113.8, false",
        "::ffff:203.0.113.7, 203.0.113.7, true"
    })
    void oneAskerHasANetworkOfIpv6AndOneAddressOfIpv4(String one, String other, boolean isOne) {
        assertThat(Neighbourhood.of(one).equals(Neighbourhood.of(other))).isEqualTo(isOne);
    }
}
