package vividcaravan.server.team;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.VividProperties;

/** The address that links in letters lead to. */
@Component
class LinkAddress {

    private final @Nullable String publicUrl;
    private final Outbox outbox;

    LinkAddress(VividProperties properties, Outbox outbox) {
        this.publicUrl = properties.publicUrl();
        this.outbox = outbox;
    }

    /** Why no letter with a link can be written; empty if it can. */
    Optional<String> refusal() {
        // What a request says of itself may be invented, and a mail carries it to somebody else.
        return publicUrl == null && outbox.isSending()
                ? Optional.of("Mail leaves by a mail server here, so its links need the address that people use:"
                        + " set VIVID_PUBLIC_URL and start again. Nothing was sent.")
                : Optional.empty();
    }

    /**
     * The address.
     *
     * @param asked the one under which this was asked
     */
    String of(String asked) {
        return publicUrl == null ? asked : publicUrl;
    }
}
