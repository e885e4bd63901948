package vividcaravan.server.access;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.HashSet;
import java.util.Set;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.core.words.Language;

@Entity
@Table(name = "account")
class AccountRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "account_seq")
    @SequenceGenerator(name = "account_seq", sequenceName = "account_seq", allocationSize = 1)
    Long id;

    String userName;
    String displayName;

    @Enumerated(EnumType.STRING)
    Role role;

    String passwordHash;
    boolean isDemo;

    /** Sessions of another number have ended. */
    int sessionNumber = 1;

    @Enumerated(EnumType.STRING)
    PressureUnit pressureUnit;

    @Enumerated(EnumType.STRING)
    TemperatureUnit temperatureUnit;

    @Enumerated(EnumType.STRING)
    Preferences.Theme theme;

    @Enumerated(EnumType.STRING)
    Language language = Language.EN;

    Instant createdAt;

    /** Null where the account was made by hand. */
    String email;

    /** Where they get text messages, or null. */
    String phone;

    /** Since when this person is no longer on the team; null while they are. */
    Instant removedAt;

    /** Vehicles that a driver sees. */
    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "driver_vehicle", joinColumns = @JoinColumn(name = "account_id"))
    @Column(name = "vehicle_id")
    Set<Long> vehicleIds = new HashSet<>();

    Account account() {
        return new Account(
                userName, displayName, role, new Preferences(pressureUnit, temperatureUnit, theme, language));
    }

    void take(Preferences preferences) {
        pressureUnit = preferences.pressureUnit();
        temperatureUnit = preferences.temperatureUnit();
        theme = preferences.theme();
        language = preferences.language() == null ? language : preferences.language();
    }
}
