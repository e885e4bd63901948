package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class VividPropertiesTest {

    private static VividProperties with(String token, int retentionDays) {
        return new VividProperties(Path.of("data"), false, token, null, retentionDays, null, null, null);
    }

    @ParameterizedTest
    @ValueSource(strings = {"short", "fifteen-letters", "               x"})
    void aTokenThatIsTooShortIsRefusedWithTheReason(String token) {
        assertThatThrownBy(() -> with(token, 90))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("VIVID_API_TOKEN")
                .hasMessageContaining("at least 16");
    }

    @Test
    void noTokenAndALongOneAreFine() {
        assertThat(with("", 90).apiToken()).isNull();
        assertThat(with(null, 90).apiToken()).isNull();
        assertThat(with("exactly-sixteen!", 90).apiToken()).isEqualTo("exactly-sixteen!");
    }

    @Test
    void backupsGoBesideTheDatabaseUnlessSaidOtherwise() {
        assertThat(with(null, 90).backupDir()).isEqualTo(Path.of("data/backups"));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, -1, 3651})
    void aRetentionThatMakesNoSenseIsRefused(int days) {
        assertThatThrownBy(() -> with(null, days)).isInstanceOf(IllegalArgumentException.class);
    }
}
