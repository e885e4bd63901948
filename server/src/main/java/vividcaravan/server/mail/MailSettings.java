package vividcaravan.server.mail;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * The mail server, as {@code vivid.mail.*} properties or {@code VIVID_MAIL_*} environment variables. Not Spring's own
 * settings, because those decide at build time whether there is a sender at all.
 *
 * @param host its name; null or empty for none, and then the outbox is read by the manager
 * @param port its port; 587 unless said otherwise
 * @param security how the connection is kept secret; STARTTLS unless said otherwise
 * @param user user name, or null to send without signing in
 * @param password password, or null
 * @param from the sender's address
 */
@ConfigurationProperties("vivid.mail")
public record MailSettings(
        String host,
        @DefaultValue("587") int port,
        @DefaultValue("STARTTLS") Security security,
        String user,
        String password,
        @DefaultValue("vivid-caravan@localhost") String from) {

    /** How the connection to the mail server is kept secret. */
    public enum Security {
        /** A connection that turns secret before anything is said; refused if the server cannot. */
        STARTTLS,
        /** Secret from its first byte. */
        TLS,
        /** Not at all; for a server on the same machine. */
        NONE
    }

    /** Whether there is a mail server. */
    boolean isSet() {
        return host != null && !host.isBlank();
    }
}
