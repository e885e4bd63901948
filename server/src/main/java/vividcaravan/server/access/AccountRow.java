package vividcaravan.server.access;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

@Entity
@Table(name = "account")
class AccountRow {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String userName;
    String displayName;

    @Enumerated(EnumType.STRING)
    Role role;

    String passwordHash;
    boolean isDemo;

    @Enumerated(EnumType.STRING)
    PressureUnit pressureUnit;

    @Enumerated(EnumType.STRING)
    TemperatureUnit temperatureUnit;

    @Enumerated(EnumType.STRING)
    Preferences.Theme theme;

    Instant createdAt;

    Account account() {
        return new Account(userName, displayName, role, new Preferences(pressureUnit, temperatureUnit, theme));
    }

    void take(Preferences preferences) {
        pressureUnit = preferences.pressureUnit();
        temperatureUnit = preferences.temperatureUnit();
        theme = preferences.theme();
    }
}
