package vividcaravan.server.access;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.core.words.Language;

/**
 * How a person wants to read the product.
 *
 * @param language in which they are told what to do as a driver; null leaves it as it is
 */
public record Preferences(
        PressureUnit pressureUnit, TemperatureUnit temperatureUnit, Theme theme, @Nullable Language language) {

    /** Light, dark, or as the person's system has it. */
    public enum Theme {
        SYSTEM,
        PAPER,
        NIGHT
    }

    /** kPa, °C, and the system's theme. */
    public static final Preferences DEFAULT =
            new Preferences(PressureUnit.KPA, TemperatureUnit.CELSIUS, Theme.SYSTEM, Language.EN);
}
