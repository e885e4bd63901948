package vividcaravan.server.door;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.Collections;
import java.util.List;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.springframework.security.web.util.matcher.IpAddressMatcher;

/**
 * Whose address a request has. What {@code X-Forwarded-For} and {@code X-Forwarded-Proto} say counts only where the
 * request comes from a proxy that the operator trusts; of a chain of proxies, the nearest that is not trusted is the
 * client, since whatever stands before it may be invented.
 */
final class ClientAddress extends ValveBase {

    private final List<IpAddressMatcher> trusted;

    /**
     * @param trusted addresses or networks, such as {@code 10.0.0.0/8}
     */
    ClientAddress(List<String> trusted) {
        super(true);
        this.trusted = trusted.stream().map(IpAddressMatcher::new).toList();
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        if (isTrusted(request.getRemoteAddr())) {
            String client = client(lines(request));
            if (client != null) {
                request.setRemoteAddr(client);
                request.setRemoteHost(client);
            }
            if ("https".equalsIgnoreCase(request.getHeader("X-Forwarded-Proto"))) {
                request.setSecure(true);
                request.getCoyoteRequest().scheme().setString("https");
            }
        }
        getNext().invoke(request, response);
    }

    /** Each proxy may add a line of its own instead of adding to the last; together they are one chain (RFC 9110, 5.3). */
    private static String lines(Request request) {
        return String.join(",", Collections.list(request.getHeaders("X-Forwarded-For")));
    }

    /** Some write the port behind the address; it is another with each line. */
    private static String withoutPort(String written) {
        String address = written.strip();
        if (address.startsWith("[")) {
            int end = address.indexOf(']');
            return end < 0 ? address : address.substring(1, end);
        }
        int colon = address.indexOf(':');
        boolean isFourWithPort = colon > 0 && colon == address.lastIndexOf(':') && address.indexOf('.') > 0;
        return isFourWithPort ? address.substring(0, colon) : address;
    }

    private String client(String forwardedFor) {
        String[] chain = forwardedFor.isBlank() ? new String[0] : forwardedFor.split(",");
        for (int i = chain.length - 1; i >= 0; i--) {
            String address = withoutPort(chain[i]);
            if (address.isEmpty() || address.length() > 45 || !address.matches("[0-9A-Fa-f:.]+")) {
                return null;
            }
            if (!isTrusted(address)) {
                return address;
            }
        }
        return null;
    }

    private boolean isTrusted(String address) {
        try {
            return trusted.stream().anyMatch(network -> network.matches(address));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
