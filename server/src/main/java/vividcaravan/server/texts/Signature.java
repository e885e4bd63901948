package vividcaravan.server.texts;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Shows a receiver that a call is ours and of now: HMAC-SHA-256 [RFC 2104, FIPS 198-1] over the time in seconds, a dot and the
 * body, in small hexadecimal digits.
 */
final class Signature {

    private static final String ALGORITHM = "HmacSHA256";
    private static final int SECRET_BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Signature() {}

    static String newSecret() {
        byte[] secret = new byte[SECRET_BYTES];
        RANDOM.nextBytes(secret);
        return HexFormat.of().formatHex(secret);
    }

    static String of(String secret, long seconds, String body) {
        return hmac(secret, seconds + "." + body);
    }

    static String hmac(String secret, String text) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), ALGORITHM));
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has " + ALGORITHM, e);
        }
    }
}
