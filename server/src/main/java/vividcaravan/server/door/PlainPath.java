package vividcaravan.server.door;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;

/**
 * Every path has one spelling. What decides by a path (who is let in, whose session has ended, how much room a body has) may
 * read it as it came or decoded; so a path in which letters, digits, dots, dashes or underscores are written in per cent, which
 * no client needs (RFC 3986, section 2.3), or with parameters or empty parts, is refused before anything looks at it.
 */
final class PlainPath extends ValveBase {

    private static final Pattern OTHERWISE_SPELT =
            Pattern.compile("%(?:2[DdEe]|3[0-9]|4[1-9A-Fa-f]|5[0-9AaFf]|6[1-9A-Fa-f]|7[0-9Aa])|;|//|/\\.{1,2}(?:/|$)");

    private static final byte[] ODD =
            ("{\"type\":\"about:blank\",\"title\":\"Bad Request\",\"status\":400,\"detail\":\"This address is spelt in a way that"
                            + " the product does not take: letters and digits in a path are written as they are.\",\"errors\":[]}")
                    .getBytes(StandardCharsets.UTF_8);

    PlainPath() {
        super(true);
    }

    /** Whether a path as it came is spelt as it should be. */
    static boolean isPlain(String path) {
        return !OTHERWISE_SPELT.matcher(path).find();
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        String path = request.getRequestURI();
        // What the web server has refused already is answered further on.
        if (path == null || isPlain(path) || response.isError()) {
            getNext().invoke(request, response);
            return;
        }
        response.setStatus(400);
        response.setContentType("application/problem+json");
        response.setContentLength(ODD.length);
        response.getOutputStream().write(ODD);
    }
}
