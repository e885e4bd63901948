package vividcaravan.server.access;

import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/** How a person wants to read the product. */
public record Preferences(PressureUnit pressureUnit, TemperatureUnit temperatureUnit, Theme theme) {

    /** Light, dark, or as the person's system has it. */
    public enum Theme {
        SYSTEM,
        PAPER,
        NIGHT
    }

    /** kPa, °C, and the system's theme. */
    public static final Preferences DEFAULT = new Preferences(PressureUnit.KPA, TemperatureUnit.CELSIUS, Theme.SYSTEM);
}
