package vividcaravan.server.texts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "webhook")
class WebhookRow {
    static final int ONLY = 1;

    @Id
    int id;

    String url;
    String secret;
    /** Signs too until the receiver knows the new one; null where it does. */
    String secretBefore;
}
