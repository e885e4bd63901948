package vividcaravan.server.document;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.fleet.DescriptionDifferences;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;

/** What a document brought, gathered while it is stored: one deed, with a count and what it changed. */
final class ImportDeed {

    /** Of so many vehicles the names are given, and of what was there before the differences. */
    private static final int MOST_NAMED = 40;

    private final int depots;
    private final List<Long> vehicles = new ArrayList<>();
    private final List<String> made = new ArrayList<>();
    private final List<String> changed = new ArrayList<>();
    private final List<Difference> differences = new ArrayList<>();

    /**
     * @param depots how many depots the document names
     */
    ImportDeed(int depots) {
        this.depots = depots;
    }

    /**
     * A vehicle was stored.
     *
     * @param before how it was described, or null if it is new
     */
    void took(FleetVehicle vehicle, @Nullable VehicleDescription before) {
        vehicles.add(vehicle.id());
        String ref = vehicle.description().ref();
        if (before == null) {
            made.add(ref);
            return;
        }
        changed.add(ref);
        if (changed.size() <= MOST_NAMED) {
            DescriptionDifferences.between(before, vehicle.description())
                    .forEach(one -> differences.add(
                            new Difference(ref + ", " + one.what(), one.unit(), one.before(), one.after())));
        }
    }

    /**
     * The deed.
     *
     * @param sensors how many sensors the document brought
     * @param history what it told of the past, or null
     */
    Deed with(int sensors, @Nullable FleetHistory history) {
        String words = "took in a fleet document: " + count(made.size(), "new vehicle") + ", "
                + count(changed.size(), "known vehicle") + ", " + count(sensors, "sensor");
        return Deed.of(DeedKind.FLEET_IMPORTED, new Thing(Thing.Kind.IMPORT, "document", "fleet document"), words)
                .at(vehicles)
                .with("New vehicles", null, named(made))
                .with("Known vehicles in it", null, named(changed))
                .with("Depots in it", null, depots == 0 ? null : depots)
                .with(
                        "Tyres of its past",
                        null,
                        history == null ? null : history.tyres().size())
                .with(
                        "Wheel moves of its past",
                        null,
                        history == null ? null : history.moves().size())
                .with(
                        "Couplings of its past",
                        null,
                        history == null ? null : history.couplings().size())
                .with(differences);
    }

    private static String count(int number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }

    private static @Nullable String named(List<String> refs) {
        if (refs.isEmpty()) {
            return null;
        }
        String first = String.join(", ", refs.subList(0, Math.min(MOST_NAMED, refs.size())));
        return refs.size() <= MOST_NAMED ? first : first + " and " + (refs.size() - MOST_NAMED) + " more";
    }
}
