package vividcaravan.server.platform;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What an operator can set, as {@code vivid.*} properties or {@code VIVID_*} environment variables.
 *
 * @param dataDir folder of the database
 * @param demo whether to load the demo fleet and start its simulated receivers
 * @param apiToken bearer token with the manager's rights, at least 16 characters; null or empty for none
 * @param backupDir folder for backups; {@code backups} in the data folder unless said otherwise
 * @param retentionDays how long single readings are kept, days
 */
@ConfigurationProperties("vivid")
public record VividProperties(
        @DefaultValue("./data") Path dataDir,
        @DefaultValue("false") boolean demo,
        String apiToken,
        Path backupDir,
        @DefaultValue("90") int retentionDays) {

    private static final int SHORTEST_TOKEN = 16;

    /**
     * @throws IllegalArgumentException if the token is too short to be safe, or the retention is not 1 to 3650 days
     */
    public VividProperties {
        backupDir = backupDir == null ? dataDir.resolve("backups") : backupDir;
        apiToken = apiToken == null || apiToken.isEmpty() ? null : apiToken;
        if (apiToken != null && apiToken.strip().length() < SHORTEST_TOKEN) {
            throw new IllegalArgumentException(
                    "VIVID_API_TOKEN has " + apiToken.strip().length()
                            + " characters; it needs at least 16. Choose a longer one or leave it out.");
        }
        if (retentionDays < 1 || retentionDays > 3650) {
            throw new IllegalArgumentException("vivid.retention-days must be 1 to 3650, was " + retentionDays);
        }
    }
}
