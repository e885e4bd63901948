package vividcaravan.server.access;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Duration;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Installation;
import vividcaravan.server.platform.VividProperties;

/**
 * Browsers in which a person signed in before, known by a signed cookie. It lets nobody in; it only gives that person tries
 * of their own at the sign-in ({@link SignInThrottle}).
 */
@Component
class KnownDevices {

    private static final String PREFIX = "vivid-known-";
    private static final Duration LASTS = Duration.ofDays(180);

    private final byte[] key;
    private final boolean isSecure;

    KnownDevices(Installation installation, VividProperties properties) {
        this.key = HexFormat.of().parseHex(installation.deviceKey());
        this.isSecure = properties.isReachedByTls();
    }

    /** Which browser this is, if {@code userName} signed in from it before. */
    Optional<String> find(HttpServletRequest request, String userName) {
        String name = SignInThrottle.name(userName);
        Cookie[] cookies = request.getCookies() == null ? new Cookie[0] : request.getCookies();
        return Arrays.stream(cookies)
                .filter(cookie -> cookie.getName().equals(PREFIX + name))
                .map(cookie -> cookie.getValue().split("\\.", 2))
                .filter(parts -> parts.length == 2 && isOurs(name, parts[0], parts[1]))
                .map(parts -> parts[0])
                .findFirst();
    }

    private boolean isOurs(String name, String device, String signature) {
        return MessageDigest.isEqual(
                signature(name, device).getBytes(StandardCharsets.US_ASCII),
                signature.getBytes(StandardCharsets.US_ASCII));
    }

    /** Knows the browser from now on. */
    void remember(HttpServletResponse response, String userName) {
        String device = Secret.make();
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(PREFIX + userName, device + "." + signature(userName, device))
                        .httpOnly(true)
                        .secure(isSecure)
                        .sameSite("Strict")
                        .path("/api/v1/session")
                        .maxAge(LASTS)
                        .build()
                        .toString());
    }

    private String signature(String name, String device) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(key, "HmacSHA256"));
            return HexFormat.of().formatHex(mac.doFinal((name + "\n" + device).getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every JDK has HmacSHA256", e);
        }
    }
}
