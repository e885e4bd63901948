package vividcaravan.server.platform;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
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
 * @param receiverQuiet how long a moving vehicle may be quiet before its receiver is looked for; 15 minutes, in the demo
 *     150 seconds so that nobody has to wait long for what they planted
 * @param trustedProxies addresses or networks of proxies whose word on a client's address counts; none unless said
 * @param publicUrl where people reach the product, for links in mails; null for the address of whoever asks for the mail
 */
@ConfigurationProperties("vivid")
public record VividProperties(
        @DefaultValue("./data") Path dataDir,
        @DefaultValue("false") boolean demo,
        String apiToken,
        Path backupDir,
        @DefaultValue("90") int retentionDays,
        Duration receiverQuiet,
        String publicUrl,
        List<String> trustedProxies) {

    private static final int SHORTEST_TOKEN = 16;
    private static final Duration QUIET = Duration.ofMinutes(15);
    /** Its sensors speak once a minute, and whoever looks at it has no quarter of an hour. */
    private static final Duration QUIET_IN_DEMO = Duration.ofSeconds(150);

    /**
     * @throws IllegalArgumentException if the token is too short to be safe, the retention is not 1 to 3650 days, or the
     *     quiet of a receiver is under 10 seconds
     */
    public VividProperties {
        backupDir = backupDir == null ? dataDir.resolve("backups") : backupDir;
        receiverQuiet = receiverQuiet != null ? receiverQuiet : demo ? QUIET_IN_DEMO : QUIET;
        apiToken = apiToken == null || apiToken.isEmpty() ? null : apiToken;
        if (apiToken != null && apiToken.strip().length() < SHORTEST_TOKEN) {
            throw new IllegalArgumentException(
                    "VIVID_API_TOKEN has " + apiToken.strip().length()
                            + " characters; it needs at least 16. Choose a longer one or leave it out.");
        }
        if (receiverQuiet.compareTo(Duration.ofSeconds(10)) < 0) {
            throw new IllegalArgumentException("vivid.receiver-quiet must be 10s or more, was " + receiverQuiet);
        }
        publicUrl = publicUrl == null || publicUrl.isBlank()
                ? null
                : publicUrl.strip().replaceAll("/+$", "");
        if (publicUrl != null && !publicUrl.matches("https?://[^/\\s#?]+[^\\s#?]*")) {
            throw new IllegalArgumentException(
                    "VIVID_PUBLIC_URL must look like https://tyres.example.org, was " + publicUrl);
        }
        trustedProxies = trustedProxies == null ? List.of() : List.copyOf(trustedProxies);
        for (String proxy : trustedProxies) {
            if (!proxy.matches("[0-9A-Fa-f:.]+(/\\d{1,3})?")) {
                throw new IllegalArgumentException("VIVID_TRUSTED_PROXIES must name addresses or networks such as"
                        + " 10.0.0.5 or 10.0.0.0/8, with commas between, was " + proxy);
            }
        }
        if (retentionDays < 1 || retentionDays > 3650) {
            throw new IllegalArgumentException("vivid.retention-days must be 1 to 3650, was " + retentionDays);
        }
    }

    /** Whether people come by a line that is kept secret, so that cookies need never go by another. */
    public boolean isReachedByTls() {
        return publicUrl != null && publicUrl.startsWith("https://");
    }
}
