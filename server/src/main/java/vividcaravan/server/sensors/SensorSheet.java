package vividcaravan.server.sensors;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.View;

/** A table of sensors and the wheels they sit at. */
@Component
class SensorSheet implements SheetKind {

    private static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");

    private final FleetDirectory fleet;
    private final FleetTables tables;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    SensorSheet(FleetDirectory fleet, FleetTables tables, ApplicationEventPublisher events, Clock clock) {
        this.fleet = fleet;
        this.tables = tables;
        this.events = events;
        this.clock = clock;
    }

    private record Line(
            String code,
            @Nullable MountKind mount,
            @Nullable FleetVehicle vehicle,
            @Nullable Position position,
            @Nullable Instant at) {}

    @Override
    public String name() {
        return "SENSORS";
    }

    @Override
    public String words() {
        return "sensors";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("code", "Sensor code", true, List.of("sensor", "sensorid", "id")),
                new Field("vehicle", "Vehicle", false, List.of("ref", "vehicleref", "fleetno", "unit")),
                new Field("position", "Position", false, List.of("wheel", "wheelposition", "pos")),
                new Field("mount", "How it is held", false, List.of("mount", "mounting", "type")),
                new Field("fittedAt", "Fitted at", false, List.of("fitted", "since", "installed")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        Map<String, Long> codes = new HashMap<>();
        Map<String, Long> wheels = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        for (SheetRow row : rows) {
            Line line = read(row);
            if (line == null) {
                continue;
            }
            Long same = codes.putIfAbsent(line.code(), row.number());
            if (same != null) {
                row.fault("code", "The sensor " + line.code() + " stands in row " + same + " too.");
            }
            if (line.vehicle() != null) {
                String wheel = line.vehicle().description().ref() + " " + line.position();
                Long other = wheels.putIfAbsent(wheel, row.number());
                if (other != null) {
                    row.fault("position", wheel + " has a sensor in row " + other + " too; a wheel holds one.");
                }
            }
            lines.add(line);
        }
        refuseWhatSitsElsewhere(rows, lines, codes, wish);
        long fitted = lines.stream().filter(line -> line.vehicle() != null).count();
        return new Prepared(
                List.of(
                        fitted + " sensors sit at the wheels that the table says",
                        (lines.size() - fitted) + " sensors are known and sit nowhere yet"),
                pen -> make(pen, lines));
    }

    private @Nullable Line read(SheetRow row) {
        String code = row.needed("code", 40);
        MountKind mount = row.choice("mount", MountKind.class);
        String ref = row.text("vehicle", 60);
        String wheel = row.text("position", 10);
        Instant at = row.time("fittedAt");
        if (at != null && (at.isAfter(clock.instant().plusSeconds(120)) || at.isBefore(Instant.EPOCH))) {
            row.fault("fittedAt", "A sensor was fitted in the past, from 1970 on; this says " + at + ".");
        }
        if (code == null) {
            return null;
        }
        String plain = code.toUpperCase(Locale.ROOT);
        if (!CODE.matcher(plain).matches()) {
            row.fault("code", "\"" + code + "\" is no sensor code; it has 6 to 8 hex digits, 0–9 and A–F.");
            return null;
        }
        if ((ref == null) != (wheel == null)) {
            row.fault(ref == null ? "vehicle" : "position", "Say vehicle and position, or neither.");
            return null;
        }
        if (ref == null) {
            return new Line(plain, mount, null, null, null);
        }
        FleetVehicle vehicle = fleet.vehicle(ref).orElse(null);
        if (vehicle == null) {
            row.fault("vehicle", "There is no vehicle \"" + ref + "\".");
            return null;
        }
        Position position = Position.find(wheel.toUpperCase(Locale.ROOT)).orElse(null);
        if (position == null || !vehicle.description().layout().has(position)) {
            row.fault(
                    "position",
                    ref + " has no wheel at " + wheel + "; it has "
                            + vehicle.description().layout().positions() + ".");
            return null;
        }
        return new Line(plain, mount, vehicle, position, at);
    }

    /** Only with the leave to change what exists is a sensor taken from where it sits, or another's wheel. */
    private void refuseWhatSitsElsewhere(List<SheetRow> rows, List<Line> lines, Map<String, Long> codes, Wish wish) {
        Map<Long, SheetRow> byNumber = new HashMap<>();
        rows.forEach(row -> byNumber.put(row.number(), row));
        for (Line line : lines) {
            SheetRow row = byNumber.get(codes.get(line.code()));
            Optional<KnownSensor> known = fleet.sensor(line.code());
            known.flatMap(KnownSensor::retiredBecause)
                    .filter(why -> line.vehicle() != null)
                    .ifPresent(why -> row.fault(
                            "code", line.code() + " is out of use (" + why + "). Bring it back into use first."));
            if (line.vehicle() == null || wish.isUpdate()) {
                continue;
            }
            known.flatMap(sensor -> sensor.fittingAt(Long.MAX_VALUE - 1))
                    .filter(stay -> stay.vehicle() != line.vehicle().id()
                            || !stay.position().equals(line.position()))
                    .ifPresent(stay -> row.fault(
                            "code",
                            line.code() + " sits at "
                                    + fleet.vehicle(stay.vehicle())
                                            .map(vehicle ->
                                                    vehicle.description().ref())
                                            .orElse("another vehicle")
                                    + " " + stay.position()
                                    + ". Take it off there first, or allow that what exists is changed."));
            line.vehicle()
                    .sensorAt(line.position())
                    .filter(there -> !there.code().equals(line.code()))
                    .ifPresent(there -> row.fault(
                            "position",
                            line.vehicle().description().ref() + " " + line.position() + " has the sensor "
                                    + there.code()
                                    + ". Take it off first, or allow that what exists is changed."));
        }
    }

    private void make(Pen pen, List<Line> lines) {
        Set<KnownSensor> involved = new LinkedHashSet<>();
        Map<Line, KnownSensor> sensors = new HashMap<>();
        Set<Long> vehicles = new LinkedHashSet<>();
        for (Line line : lines) {
            KnownSensor sensor = tables.storeSensor(pen.session(), line.code(), line.mount());
            sensors.put(line, sensor);
            involved.add(sensor);
            if (line.vehicle() != null) {
                involved.addAll(line.vehicle().everFitted());
                vehicles.add(line.vehicle().id());
            }
        }
        FittingChange change = new FittingChange(fleet, involved);
        long now = clock.millis();
        for (Line line : lines) {
            if (line.vehicle() != null) {
                Long at = line.at() == null ? null : line.at().toEpochMilli();
                change.fit(sensors.get(line), line.vehicle().id(), line.position(), at, now);
            }
        }
        change.store(pen, events);
        for (long vehicle : vehicles) {
            FleetVehicle fitted = fleet.vehicle(vehicle).orElseThrow();
            Deed deed = Deed.of(
                            DeedKind.SENSOR_PLACED,
                            fitted.thing(),
                            "placed sensors of " + fitted.description().ref() + " by a table")
                    .at(vehicle);
            for (Line line : lines) {
                if (line.vehicle() != null && line.vehicle().id() == vehicle) {
                    deed = deed.with("Sensor at " + line.position(), null, line.code());
                }
            }
            pen.note(deed);
        }
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (KnownSensor sensor : fleet.sensors()) {
            Optional<Fitting> now = sensor.fittingAt(Fitting.OPEN - 1);
            rows.add(Arrays.asList(
                    sensor.code(),
                    now.flatMap(stay -> fleet.vehicle(stay.vehicle()))
                            .map(vehicle -> vehicle.description().ref())
                            .orElse(null),
                    now.map(stay -> stay.position().code()).orElse(null),
                    sensor.mount().map(MountKind::name).orElse(null),
                    now.map(stay -> Instant.ofEpochMilli(stay.from()).toString())
                            .orElse(null)));
        }
        return rows;
    }
}
