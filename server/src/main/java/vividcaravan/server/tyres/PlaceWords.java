package vividcaravan.server.tyres;

import java.util.Optional;
import java.util.function.LongFunction;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.fleet.FleetVehicle;

/** A tyre's place as people call it. */
public final class PlaceWords {

    private PlaceWords() {}

    /**
     * Such as {@code GX-05 2LO} or {@code in store (High Tarn)}.
     *
     * @param vehicles finds a vehicle by its identity
     */
    public static String of(TyrePlace place, LongFunction<Optional<FleetVehicle>> vehicles) {
        if (place instanceof TyrePlace.AtWheel wheel) {
            return vehicles.apply(wheel.vehicle())
                            .map(vehicle -> vehicle.description().ref())
                            .orElse("a vehicle that is gone")
                    + " " + wheel.position().code();
        }
        TyrePlace.Away away = (TyrePlace.Away) place;
        return away.kind().words() + (away.name() == null ? "" : " (" + away.name() + ")");
    }
}
