package vividcaravan.core.tyres;

import java.util.Optional;
import vividcaravan.core.axles.Position;

/** Where a tyre can be. Only at a wheel does it share its place with nothing else. */
public sealed interface TyrePlace {

    /** On a vehicle, in use or as its spare. */
    record AtWheel(long vehicle, Position position) implements TyrePlace {}

    /**
     * Off every vehicle.
     *
     * @param kind what sort of place
     * @param name which one, in people's words; null where nobody said
     */
    record Away(Kind kind, String name) implements TyrePlace {}

    /** Places off every vehicle. */
    enum Kind {
        STORE("in store"),
        REPAIRER("at a repairer"),
        SCRAPPED("scrapped");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As a reader calls it. */
        public String words() {
            return words;
        }
    }

    /** A wheel of a vehicle. */
    static AtWheel wheel(long vehicle, Position position) {
        return new AtWheel(vehicle, position);
    }

    /** The wheel; empty off every vehicle. */
    default Optional<AtWheel> asWheel() {
        return this instanceof AtWheel wheel ? Optional.of(wheel) : Optional.empty();
    }

    /** Whether it can never come back from there. */
    default boolean isForGood() {
        return this instanceof Away away && away.kind() == Kind.SCRAPPED;
    }
}
