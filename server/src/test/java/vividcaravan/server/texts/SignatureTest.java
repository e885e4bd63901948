package vividcaravan.server.texts;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SignatureTest {

    /** RFC 4231, test cases 2 and 1 (the key of which is twenty bytes 0x0b). */
    @ParameterizedTest
    @CsvSource({
        "Jefe, what do ya want for nothing?, 5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843",
        "'\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b\u000b', Hi There,"
                + " b0344c61d8db38535ca8afceaf0bf12b881dc200c9833da726e9376c2e32cff7"
    })
    void isHmacSha256(String key, String text, String digits) {
        assertThat(Signature.hmac(key, text)).isEqualTo(digits);
    }

    @Test
    void isOfTheTimeAndTheBody() {
        assertThat(Signature.of("key", 1_700_000_000, "{}")).isEqualTo(Signature.hmac("key", "1700000000.{}"));
        assertThat(Signature.newSecret()).hasSize(64).isNotEqualTo(Signature.newSecret());
    }
}
