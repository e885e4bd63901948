package vividcaravan.server.tyres;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;

/** The wheel that a row of a table names by its columns {@code vehicle} and {@code position}. */
@Component
class WheelCells {

    private final FleetDirectory fleet;

    WheelCells(FleetDirectory fleet) {
        this.fleet = fleet;
    }

    record Wheel(FleetVehicle vehicle, Position position) {
        TyrePlace.AtWheel place() {
            return TyrePlace.wheel(vehicle.id(), position);
        }

        String words() {
            return vehicle.description().ref() + " " + position.code();
        }
    }

    /**
     * @param wheel null where none is named, or it cannot be
     * @param isNamed whether one is
     */
    record Said(@Nullable Wheel wheel, boolean isNamed) {}

    @Nullable
    String ref(long vehicle) {
        return fleet.vehicle(vehicle).map(one -> one.description().ref()).orElse(null);
    }

    Said read(SheetRow row) {
        String ref = row.text("vehicle", 60);
        String code = row.text("position", 10);
        if (ref == null && code == null) {
            return new Said(null, false);
        }
        if (ref == null || code == null) {
            row.fault(ref == null ? "vehicle" : "position", "Say vehicle and position, or neither.");
            return new Said(null, true);
        }
        FleetVehicle vehicle = fleet.vehicle(ref).orElse(null);
        if (vehicle == null) {
            row.fault("vehicle", "There is no vehicle \"" + ref + "\".");
            return new Said(null, true);
        }
        Position position = Position.find(code.toUpperCase(Locale.ROOT)).orElse(null);
        if (position == null || !vehicle.description().layout().has(position)) {
            row.fault(
                    "position",
                    ref + " has no wheel at " + code + "; it has "
                            + vehicle.description().layout().positions() + ".");
            return new Said(null, true);
        }
        return new Said(new Wheel(vehicle, position), true);
    }
}
