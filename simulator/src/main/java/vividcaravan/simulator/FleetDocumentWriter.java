package vividcaravan.simulator;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

/** The scenario as the fleet document that the product takes in. */
public final class FleetDocumentWriter {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private FleetDocumentWriter() {}

    /** The Larkmoor fleet, its sensors fitted at {@code fittedAt}. */
    public static ObjectNode larkmoor(Instant fittedAt) {
        ObjectNode document = JSON.createObjectNode();
        document.put("format", "vivid-caravan-fleet").put("version", 1);
        ArrayNode depots = document.putArray("depots");
        for (Map.Entry<String, Double> depot : Larkmoor.DEPOTS.entrySet()) {
            depots.addObject()
                    .put("name", depot.getKey())
                    .put("timeZone", Larkmoor.TIME_ZONE)
                    .put("altitudeM", depot.getValue())
                    .put("phone", Larkmoor.PHONES.get(depot.getKey()));
        }
        ArrayNode vehicles = document.putArray("vehicles");
        List<VehiclePlan> plans = Larkmoor.vehicles();
        for (int i = 0; i < plans.size(); i++) {
            add(vehicles.addObject(), plans.get(i), i, fittedAt);
        }
        addBare(vehicles.addObject());
        return document;
    }

    /** A new truck that nobody has fitted yet, to try the Workshop with. */
    private static void addBare(ObjectNode vehicle) {
        vehicle.put("ref", "LM-40").put("kind", VehicleKind.RIGID_TRUCK.name()).put("state", "DESCRIBED");
        vehicle.put("plate", "KD 70 MIL")
                .put("depot", "Larkmoor")
                .put("spares", 0)
                .putArray("sensors");
        ArrayNode axles = vehicle.putArray("axles");
        for (AxleRole role : List.of(AxleRole.STEER, AxleRole.DRIVE, AxleRole.TAG)) {
            boolean isDriven = role == AxleRole.DRIVE;
            axles.addObject()
                    .put("role", role.name())
                    .put("wheels", (isDriven ? WheelArrangement.TWIN : WheelArrangement.SINGLE).name())
                    .put("coldPressureKpa", role == AxleRole.STEER ? 830 : 760)
                    .put("tyreSize", "315/80 R22.5")
                    .put("maxPressureKpa", 900)
                    .put("rimInches", 22.5)
                    .put("dropCentreMm", 44);
        }
    }

    private static void add(ObjectNode vehicle, VehiclePlan plan, int index, Instant fittedAt) {
        vehicle.put("ref", plan.ref()).put("kind", plan.kind().name());
        if (plan.plate() != null) {
            vehicle.put("plate", plan.plate());
        }
        vehicle.put("depot", plan.depot()).put("spares", plan.spares());
        switch (plan.kind()) {
            case BUS -> vehicle.put("duty", "CITY_BUS");
            case FARM_TRACTOR, IMPLEMENT -> vehicle.put("duty", "FARM_ROAD");
            default -> {
                // The fleet's own policy.
            }
        }
        ArrayNode axles = vehicle.putArray("axles");
        for (int axle = 1; axle <= plan.axles().size(); axle++) {
            VehiclePlan.PlannedAxle planned = plan.axles().get(axle - 1);
            axles.addObject()
                    .put("automaticInflation", plan.inflatesItself(axle))
                    .put("role", planned.axle().role().name())
                    .put("wheels", planned.axle().wheels().name())
                    .put("liftable", planned.axle().liftable())
                    .put("coldPressureKpa", planned.targetKpa())
                    .put("tyreSize", size(plan.kind(), planned.axle()));
        }
        ArrayNode sensors = vehicle.putArray("sensors");
        for (Position position : plan.layout().positions()) {
            if (!plan.bareAxles().contains(position.axle())) {
                sensors.addObject()
                        .put("position", position.code())
                        .put("code", Larkmoor.sensorCode(index, position))
                        .put("mount", plan.mount().name())
                        .put("fittedAt", fittedAt.toString());
            }
        }
    }

    private static String size(VehicleKind kind, Axle axle) {
        if (kind == VehicleKind.FARM_TRACTOR) {
            return axle.role() == AxleRole.STEER ? "540/65 R28" : "650/65 R38";
        }
        if (kind == VehicleKind.IMPLEMENT) {
            return "600/55 R26.5";
        }
        boolean isTwin = axle.wheels() == WheelArrangement.TWIN;
        return kind.isPulled() ? isTwin ? "235/75 R17.5" : "385/65 R22.5" : "315/80 R22.5";
    }
}
