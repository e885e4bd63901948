package vividcaravan.server.targets;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.planning.LoadTable;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.writer.View;

/** Load tables of several sizes in one: a row for each pressure of each. */
@Component
class LoadTableSheet implements SheetKind {

    private static final double HEAVIEST_KG = 30_000;

    private final LoadTables tables;

    LoadTableSheet(LoadTables tables) {
        this.tables = tables;
    }

    private record Key(String size, @Nullable Integer speedKmh) {}

    private static final class Draft {
        final SheetRow first;
        final String source;
        final List<LoadTable.Row> rows = new ArrayList<>();

        Draft(SheetRow first, String source) {
            this.first = first;
            this.source = source;
        }
    }

    @Override
    public String name() {
        return "LOAD_TABLES";
    }

    @Override
    public String words() {
        return "load tables";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("size", "Tyre size", true, List.of("size", "tyresize", "tiresize")),
                new Field("source", "Maker and edition", true, List.of("source", "maker", "edition")),
                new Field("speed", "Speed in km/h", false, List.of("speed", "speedkmh", "kmh")),
                new Field("pressure", "Cold pressure", true, List.of("pressure", "pressurekpa", "inflation")),
                new Field("single", "Load single, kg", true, List.of("single", "singlekg", "loadsingle")),
                new Field("twin", "Load twin, kg", false, List.of("twin", "twinkg", "dual", "loadtwin")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        Map<Key, Draft> drafts = new LinkedHashMap<>();
        for (SheetRow row : rows) {
            String size = row.needed("size", 40);
            String source = row.needed("source", 200);
            Integer speed = row.whole("speed", 5, 160);
            row.needed("pressure", 40);
            Double kpa = row.pressureKpa("pressure", 50, 1_400);
            row.needed("single", 40);
            Double single = row.number("single", 1, HEAVIEST_KG);
            Double twin = row.number("twin", 1, HEAVIEST_KG);
            if (size != null && source != null && kpa != null && single != null) {
                drafts.computeIfAbsent(new Key(size, speed), key -> new Draft(row, source))
                        .rows
                        .add(new LoadTable.Row(kpa, single, twin));
            }
        }
        drafts.values()
                .forEach(draft -> LoadTable.faults(draft.rows).forEach(fault -> draft.first.fault("pressure", fault)));
        return new Prepared(
                List.of(drafts.size() + " load tables are kept; those of the same size and speed give way"),
                pen -> drafts.forEach((key, draft) -> pen.make(tables.putting(
                        key.size(), draft.source, key.speedKmh(), new LoadTable(draft.rows), wish.who()))));
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (LoadTables.Kept table : tables.all()) {
            for (LoadTable.Row row : table.table().rows()) {
                rows.add(Arrays.asList(
                        table.tyreSize(),
                        table.source(),
                        table.speedKmh(),
                        Math.round(unit.fromKpa(row.kpa()) * 1_000) / 1_000.0,
                        row.singleKg(),
                        row.twinKg()));
            }
        }
        return rows;
    }
}
