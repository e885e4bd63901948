package vividcaravan.server.tyres;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.writer.View;

/** A table of tread readings: of tyres by their number, or of those that stood at a wheel when it was read. */
@Component
class TreadSheet implements SheetKind {

    private static final double DEEPEST_MM = 80;
    private static final double MOST_KM = 10_000_000;
    private static final Duration LONGEST_AGO = Duration.ofDays(3_650);
    private static final List<String> POINTS = List.of("outer", "middle", "inner");

    private final WheelCells wheels;
    private final Tyres tyres;
    private final TyreTables tables;
    private final Clock clock;

    TreadSheet(WheelCells wheels, Tyres tyres, TyreTables tables, Clock clock) {
        this.wheels = wheels;
        this.tyres = tyres;
        this.tables = tables;
        this.clock = clock;
    }

    private record Line(
            @Nullable Long tyre,
            WheelCells.@Nullable Wheel wheel,
            List<Double> points,
            @Nullable Double km,
            Instant at) {}

    @Override
    public String name() {
        return "TREADS";
    }

    @Override
    public String words() {
        return "tread readings";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("tyre", "Tyre number", false, List.of("tyre", "tyreid", "tire")),
                new Field("vehicle", "Vehicle", false, List.of("ref", "vehicleref", "fleetno", "unit")),
                new Field("position", "Position", false, List.of("wheel", "wheelposition", "pos")),
                new Field(
                        "outer",
                        "Depth in mm",
                        true,
                        List.of("tread", "depth", "treadmm", "mm", "outer", "shallowest")),
                new Field("middle", "Depth in the middle", false, List.of("middle", "centre")),
                new Field("inner", "Depth inside", false, List.of("inner", "inside")),
                new Field("km", "Vehicle has run, km", false, List.of("km", "odometer", "distance")),
                new Field("at", "Read at", false, List.of("date", "readat", "time")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        Instant now = clock.instant();
        List<Line> lines = new ArrayList<>();
        for (SheetRow row : rows) {
            WheelCells.Said said = wheels.read(row);
            Double number = row.number("tyre", 1, Long.MAX_VALUE / 2.0);
            Long tyre = number == null ? null : number.longValue();
            if ((tyre == null) == !said.isNamed()) {
                row.fault("tyre", "Say the tyre by its number, or by vehicle and position, one of both.");
            } else if (tyre != null && tables.tyre(view, tyre).isEmpty()) {
                row.fault("tyre", "There is no tyre " + tyre + ".");
            }
            List<Double> points = new ArrayList<>();
            for (String point : POINTS) {
                Double mm = row.number(point, 0, DEEPEST_MM);
                if (mm != null) {
                    points.add(mm);
                }
            }
            if (points.isEmpty()) {
                row.fault("outer", "Say a depth in mm, 0 to 80.");
            }
            Instant at = row.time("at");
            if (at != null && (at.isAfter(now.plusSeconds(120)) || at.isBefore(now.minus(LONGEST_AGO)))) {
                row.fault("at", "It was read within the last ten years; this says " + at + ".");
            }
            Instant when = at == null ? now : at;
            if (said.wheel() != null) {
                tyres.refusalOfReading(view, said.wheel().place(), when).ifPresent(why -> row.fault("position", why));
            }
            lines.add(new Line(tyre, said.wheel(), points, row.number("km", 0, MOST_KM), when));
        }
        return new Prepared(
                List.of(lines.size() + " tread readings are kept"),
                pen -> lines.forEach(line -> {
                    long tyre = line.tyre() != null
                            ? line.tyre()
                            : tyres.at(pen, line.wheel().place(), line.at());
                    pen.make(tyres.reading(tyre, line.points(), line.km(), line.at(), wish.who()));
                }));
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (TreadReadingRow read : view.select("from TreadReadingRow order by readAt, id", TreadReadingRow.class)
                .getResultList()) {
            String[] points = read.points.split(" ");
            rows.add(Arrays.asList(
                    read.tyreId,
                    null,
                    null,
                    Double.valueOf(points[0]),
                    points.length > 1 ? Double.valueOf(points[1]) : null,
                    points.length > 2 ? Double.valueOf(points[2]) : null,
                    read.km,
                    read.readAt.toString()));
        }
        return rows;
    }
}
