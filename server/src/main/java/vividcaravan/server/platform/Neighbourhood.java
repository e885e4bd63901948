package vividcaravan.server.platform;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HexFormat;

/** What one asker can have addresses in: one address of IPv4, but a whole /64 of IPv6, whose 2^64 are handed out as one. */
public final class Neighbourhood {

    private static final int NETWORK_BYTES = 8;

    private Neighbourhood() {}

    /**
     * What {@code address} counts as.
     *
     * @param address as digits; never looked up
     */
    public static String of(String address) {
        if (address.indexOf(':') < 0) {
            return address;
        }
        try {
            // With colons in it no name is looked up.
            InetAddress read = InetAddress.getByName(address);
            return read instanceof Inet6Address
                    ? HexFormat.of().formatHex(Arrays.copyOf(read.getAddress(), NETWORK_BYTES)) + "/64"
                    : read.getHostAddress();
        } catch (UnknownHostException e) {
            return address;
        }
    }
}
