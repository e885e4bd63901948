package vividcaravan.server.texts;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.List;

/**
 * Addresses that nobody outside may have called: this machine's own, those of its network segments, and those behind which
 * such a one may stand (RFC 4193 unique local, RFC 6052 and 8215 translated, RFC 3056 and 4380 tunnelled, RFC 3879 site-local).
 */
final class InsideAddress {

    private static final int OCTET = 8;
    private static final int V4_IN_V6 = 12;

    /** Beginnings of addresses of IPv6 that lead inside, or to an address of IPv4 that they hold. */
    private static final List<byte[]> TRANSLATED_OR_LOCAL = List.of(
            bytes(0xFC), bytes(0xFD), bytes(0x00, 0x64, 0xFF, 0x9B), bytes(0x20, 0x02), bytes(0x20, 0x01, 0x00, 0x00));

    private InsideAddress() {}

    private static byte[] bytes(int... values) {
        byte[] bytes = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            bytes[i] = (byte) values[i];
        }
        return bytes;
    }

    /** Whether {@code address} is one. */
    static boolean isOne(InetAddress address) {
        if (address.isLoopbackAddress()
                || address.isLinkLocalAddress()
                || address.isAnyLocalAddress()
                || address.isMulticastAddress()) {
            return true;
        }
        if (address instanceof Inet6Address six) {
            byte[] all = six.getAddress();
            boolean holdsFour = Arrays.equals(Arrays.copyOf(all, V4_IN_V6), new byte[V4_IN_V6]);
            if (six.isSiteLocalAddress() || TRANSLATED_OR_LOCAL.stream().anyMatch(one -> begins(all, one))) {
                return true;
            }
            if (holdsFour) {
                return isOne(four(all));
            }
        }
        return isInASegment(address);
    }

    private static boolean begins(byte[] address, byte[] with) {
        return Arrays.equals(Arrays.copyOf(address, with.length), with);
    }

    private static InetAddress four(byte[] six) {
        try {
            return InetAddress.getByAddress(Arrays.copyOfRange(six, V4_IN_V6, six.length));
        } catch (UnknownHostException e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean isInASegment(InetAddress address) {
        try {
            return NetworkInterface.networkInterfaces()
                    .flatMap(one -> one.getInterfaceAddresses().stream())
                    .anyMatch(one -> isWithin(address.getAddress(), one));
        } catch (SocketException e) {
            // Nobody can tell; then it is not called.
            return true;
        }
    }

    private static boolean isWithin(byte[] address, InterfaceAddress own) {
        byte[] other = own.getAddress().getAddress();
        int bits = own.getNetworkPrefixLength();
        if (other.length != address.length) {
            return false;
        }
        // A prefix of nothing would be the whole world; then only the interface's own address counts.
        int length = bits <= 0 ? address.length * OCTET : bits;
        for (int bit = 0; bit < length; bit += OCTET) {
            int mask = length - bit >= OCTET ? 0xFF : 0xFF << OCTET - (length - bit) & 0xFF;
            if ((address[bit / OCTET] & mask) != (other[bit / OCTET] & mask)) {
                return false;
            }
        }
        return true;
    }
}
