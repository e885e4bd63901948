package vividcaravan.server.document;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.View;

/** A table of vehicles, a row for each axle in its order from the front; it goes in as a fleet document. */
@Component
class VehicleSheet implements SheetKind {

    private static final Pattern PATH = Pattern.compile("\\$\\.vehicles\\[(\\d+)\\](?:\\.axles\\[(\\d+)\\])?\\.?(.*)");
    private static final Map<String, String> FIELD_OF = Map.of("coldPressureKpa", "pressure", "maxPressureKpa", "most");

    private final DocumentIntake intake;
    private final JsonMapper json;
    private final FleetDirectory fleet;

    VehicleSheet(DocumentIntake intake, JsonMapper json, FleetDirectory fleet) {
        this.fleet = fleet;
        this.intake = intake;
        this.json = json;
    }

    @Override
    public String name() {
        return "VEHICLES";
    }

    @Override
    public String words() {
        return "vehicles and their axles";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("ref", "Vehicle", true, List.of("ref", "vehicleref", "fleetno", "unit")),
                new Field("kind", "Kind", true, List.of("type", "vehiclekind", "vehicletype")),
                new Field("plate", "Plate", false, List.of("registration", "licenceplate", "licenseplate")),
                new Field("depot", "Depot", false, List.of("yard", "site", "location")),
                new Field("spares", "Spares", false, List.of("spare", "sparewheels")),
                new Field("role", "Role of the axle", true, List.of("role", "axlerole", "axle")),
                new Field("wheels", "Wheels", true, List.of("wheelarrangement", "arrangement", "tyres")),
                new Field("liftable", "Can be lifted", false, List.of("lift", "liftable")),
                new Field("pressure", "Cold pressure", true, List.of("coldpressure", "target", "coldpressurekpa")),
                new Field("size", "Tyre size", false, List.of("size", "tyresize", "tiresize")),
                new Field("loadIndex", "Load index", false, List.of("li")),
                new Field("most", "Highest cold pressure", false, List.of("maxpressure", "maxpressurekpa")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        Map<String, List<SheetRow>> byRef = new LinkedHashMap<>();
        Map<String, ObjectNode> vehicles = new LinkedHashMap<>();
        for (SheetRow row : rows) {
            String ref = row.needed("ref", 40);
            if (ref != null) {
                byRef.computeIfAbsent(ref, key -> new ArrayList<>()).add(row);
                addAxle(vehicles.computeIfAbsent(ref, key -> vehicle(key, row)), row);
            }
        }
        ObjectNode document =
                json.createObjectNode().put("format", FleetDocument.FORMAT).put("version", FleetDocument.VERSION);
        if (wish.isUpdate()) {
            document.put("onExisting", "update");
        }
        ArrayNode list = document.putArray("vehicles");
        vehicles.values().forEach(list::add);
        if (faults.total() == 0) {
            try {
                intake.taking(document).look(view);
            } catch (Refusal e) {
                List<List<SheetRow>> order = List.copyOf(byRef.values());
                e.faults().forEach(fault -> place(fault, order, faults));
            }
        }
        return new Prepared(
                List.of(vehicles.size() + " vehicles with " + rows.size() + " axles are in service"),
                pen -> pen.make(intake.taking(document)));
    }

    /** What the document's reader finds is told of the row that it came from. */
    private static void place(Refusal.Fault fault, List<List<SheetRow>> vehicles, SheetFaults faults) {
        Matcher path = PATH.matcher(fault.field());
        if (!path.matches()) {
            faults.add(0, "", fault.message());
            return;
        }
        List<SheetRow> rows = vehicles.get(Integer.parseInt(path.group(1)));
        int axle = path.group(2) == null ? 0 : Integer.parseInt(path.group(2));
        String field = path.group(3);
        rows.get(axle).fault(FIELD_OF.getOrDefault(field, field), fault.message());
    }

    private ObjectNode vehicle(String ref, SheetRow row) {
        ObjectNode vehicle = json.createObjectNode().put("ref", ref);
        row.needed("kind", 40);
        VehicleKind kind = row.choice("kind", VehicleKind.class);
        put(vehicle, "kind", kind == null ? null : kind.name());
        put(vehicle, "plate", row.text("plate", 40));
        put(vehicle, "depot", row.text("depot", 120));
        Integer spares = row.whole("spares", 0, 9);
        if (spares != null) {
            vehicle.put("spares", spares);
        }
        vehicle.putArray("axles");
        return vehicle;
    }

    private void addAxle(ObjectNode vehicle, SheetRow row) {
        ObjectNode axle = json.createObjectNode();
        row.needed("role", 40);
        AxleRole role = row.choice("role", AxleRole.class);
        put(axle, "role", role == null ? null : role.name());
        row.needed("wheels", 40);
        WheelArrangement wheels = row.choice("wheels", WheelArrangement.class);
        put(axle, "wheels", wheels == null ? null : wheels.name());
        Boolean isLiftable = row.flag("liftable");
        if (isLiftable != null) {
            axle.put("liftable", isLiftable);
        }
        row.needed("pressure", 40);
        Double pressure = row.pressureKpa("pressure", 0, 2_000);
        if (pressure != null) {
            axle.put("coldPressureKpa", pressure);
        }
        put(axle, "tyreSize", row.text("size", 40));
        Integer loadIndex = row.whole("loadIndex", 0, 400);
        if (loadIndex != null) {
            axle.put("loadIndex", loadIndex);
        }
        Double most = row.pressureKpa("most", 0, 2_000);
        if (most != null) {
            axle.put("maxPressureKpa", most);
        }
        ((ArrayNode) vehicle.get("axles")).add(axle);
    }

    private static void put(ObjectNode node, String name, @Nullable String text) {
        if (text != null) {
            node.put(name, text);
        }
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (FleetVehicle vehicle : fleet.vehicles()) {
            VehicleDescription description = vehicle.description();
            for (AxleDescription axle : description.axles()) {
                rows.add(Arrays.asList(
                        description.ref(),
                        description.kind().name(),
                        description.plate(),
                        description.depot(),
                        description.spares(),
                        axle.axle().role().name(),
                        axle.axle().wheels().name(),
                        axle.axle().liftable(),
                        shown(unit, axle.targets().roadKpa()),
                        axle.tyre().size(),
                        axle.tyre().loadIndex(),
                        shown(unit, axle.tyre().maxColdKpa())));
            }
        }
        return rows;
    }

    /** A thousandth of any unit is less than any gauge shows. */
    private static @Nullable Double shown(PressureUnit unit, @Nullable Double kpa) {
        return kpa == null ? null : (Double) (Math.round(unit.fromKpa(kpa) * 1_000) / 1_000.0);
    }
}
