package vividcaravan.server.texts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which addresses the product calls for nobody; ranges as the RFCs have them. */
class InsideAddressTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "127.0.0.1",
                "127.8.9.1",
                "0.0.0.0",
                "169.254.1.2",
                "224.0.0.1",
                "::1",
                "::",
                "fe80::1",
                "ff02::1",
                "fec0::1",
                "fc00::1",
                "fd00::1234",
                "fdff:1::1",
                "64:ff9b::7f00:1",
                "64:ff9b:1::a",
                "2002:7f00:1::",
                "2001::1",
                "::127.0.0.1",
                "::ffff:127.0.0.1"
            })
    void leadsInside(String address) throws UnknownHostException {
        assertThat(InsideAddress.isOne(InetAddress.getByName(address))).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"198.51.100.7", "8.8.4.4", "2a00:1450::1", "2606:4700::1"})
    void isOutside(String address) throws UnknownHostException {
        assertThat(InsideAddress.isOne(InetAddress.getByName(address))).isFalse();
    }

    @Test
    void thisMachinesOwnAddressesAndTheirNeighboursAreInside() throws SocketException {
        List<InetAddress> own = NetworkInterface.networkInterfaces()
                .flatMap(one -> one.getInterfaceAddresses().stream())
                .map(one -> one.getAddress())
                .toList();

        assertThat(own).isNotEmpty().allMatch(InsideAddress::isOne);
    }
}
