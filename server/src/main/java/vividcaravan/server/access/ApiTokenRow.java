package vividcaravan.server.access;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "api_token")
class ApiTokenRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "api_token_seq")
    @SequenceGenerator(name = "api_token_seq", sequenceName = "api_token_seq", allocationSize = 1)
    Long id;

    String name;

    @Enumerated(EnumType.STRING)
    ApiTokens.Scope scope;

    String tokenHash;
    boolean isDemo;
    String createdBy;

    /** The person it belongs to; it ends when they leave. */
    String owner;

    /** The receiver whose readings it brings, or null. */
    String receiver;

    Instant createdAt;
}
