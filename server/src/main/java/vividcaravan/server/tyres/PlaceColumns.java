package vividcaravan.server.tyres;

import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.TyrePlace;

/** A tyre's place as tables keep it. */
record PlaceColumns(String kind, @Nullable Long vehicle, @Nullable String position, @Nullable String name) {

    private static final String WHEEL = "WHEEL";

    static PlaceColumns of(TyrePlace place) {
        if (place instanceof TyrePlace.AtWheel wheel) {
            return new PlaceColumns(WHEEL, wheel.vehicle(), wheel.position().code(), null);
        }
        TyrePlace.Away away = (TyrePlace.Away) place;
        return new PlaceColumns(away.kind().name(), null, null, away.name());
    }

    TyrePlace place() {
        return kind.equals(WHEEL)
                ? TyrePlace.wheel(vehicle, Position.parse(position))
                : new TyrePlace.Away(TyrePlace.Kind.valueOf(kind), name);
    }
}
