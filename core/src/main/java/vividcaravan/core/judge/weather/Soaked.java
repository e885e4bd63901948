package vividcaravan.core.judge.weather;

import vividcaravan.core.axles.Position;

/** A wheel with its gauge when it last was cold. */
public interface Soaked {

    /** Where it is. */
    Position position();

    /** Its gauge when it last was cold. */
    Soak soak();

    /** Whether it was filled right on a cold morning, and holds too much by its pressure at 20 °C. */
    boolean isFilledInTheCold();
}
