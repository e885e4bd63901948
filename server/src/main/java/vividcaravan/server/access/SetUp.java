package vividcaravan.server.access;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** The first manager of an empty product is made through a link that stands in the log and works once. */
@Component
class SetUp {

    private static final Logger LOG = LoggerFactory.getLogger(SetUp.class);

    private final Accounts accounts;
    private final boolean isDemo;
    private String secret;

    SetUp(Accounts accounts, VividProperties properties) {
        this.accounts = accounts;
        this.isDemo = properties.demo();
    }

    @EventListener
    void started(WebServerInitializedEvent event) {
        if (!isDemo && !accounts.hasManager()) {
            synchronized (this) {
                secret = Secret.make();
            }
            // Behind a hash, so that no proxy writes it into its log.
            LOG.info(
                    "There is no manager yet. Make the first one at http://localhost:{}/set-up#{} (works once)",
                    event.getWebServer().getPort(),
                    secret);
        }
    }

    /** Whether the first manager is yet to be made. */
    synchronized boolean isDue() {
        return secret != null && !accounts.hasManager();
    }

    /**
     * Makes the first manager.
     *
     * @throws Refusal if the link is not the one in the log, or was used
     */
    synchronized Account makeManager(String given, String userName, String displayName, String password) {
        boolean isRight = isDue()
                && given != null
                && MessageDigest.isEqual(
                        secret.getBytes(StandardCharsets.UTF_8), given.getBytes(StandardCharsets.UTF_8));
        if (!isRight) {
            throw Refusal.conflict(
                    "This set-up link was used or is not the one in the log. Look for the newest one there.");
        }
        Account account = accounts.addSelf(userName, displayName, Role.MANAGER, password);
        secret = null;
        return account;
    }
}
