package vividcaravan.server.tyres;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.writer.View;

/** A table of tyres: of those at wheels it says what they are; others are taken into a store. */
@Component
class TyreSheet implements SheetKind {

    private final WheelCells wheels;
    private final Tyres tyres;
    private final Clock clock;

    TyreSheet(WheelCells wheels, Tyres tyres, Clock clock) {
        this.wheels = wheels;
        this.tyres = tyres;
        this.clock = clock;
    }

    private record Line(WheelCells.@Nullable Wheel wheel, @Nullable String place, Tyre tyre, @Nullable String note) {}

    @Override
    public String name() {
        return "TYRES";
    }

    @Override
    public String words() {
        return "tyres";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("vehicle", "Vehicle", false, List.of("ref", "vehicleref", "fleetno", "unit")),
                new Field("position", "Position", false, List.of("wheel", "wheelposition", "pos")),
                new Field("place", "Store", false, List.of("place", "location", "depot")),
                new Field("maker", "Maker", false, List.of("make", "brand", "manufacturer")),
                new Field("pattern", "Pattern", false, List.of("tread pattern", "model", "profile")),
                new Field("size", "Size", false, List.of("tyresize", "tiresize", "dimension")),
                new Field("loadIndex", "Load index", false, List.of("li")),
                new Field("speedSymbol", "Speed symbol", false, List.of("speed", "si")),
                new Field("dateCode", "Date code", false, List.of("dot", "week", "datecode")),
                new Field("retread", "Retread", false, List.of("isretread", "retreaded")),
                new Field("directional", "Turns one way only", false, List.of("directional", "isdirectional")),
                new Field("note", "Note", false, List.of("remark", "comment")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        Map<WheelCells.Wheel, Long> taken = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        for (SheetRow row : rows) {
            WheelCells.Said said = wheels.read(row);
            Faults own = new Faults();
            TyreRequest request = new TyreRequest(
                    row.text("maker", 60),
                    row.text("pattern", 60),
                    row.text("size", 40),
                    row.whole("loadIndex", 60, 210),
                    row.text("speedSymbol", 2),
                    dateCode(row),
                    row.flag("retread"),
                    row.flag("directional"),
                    row.text("note", 500));
            Tyre tyre = request.tyre(own, today);
            faults.addAll(row.number(), own);
            if (!said.isNamed() && tyre.size() == null) {
                row.fault("size", "Say at least its size, or the wheel that it is at.");
            }
            Long other = said.wheel() == null ? null : taken.putIfAbsent(said.wheel(), row.number());
            if (other != null) {
                row.fault("position", said.wheel().words() + " has a tyre in row " + other + " too.");
            }
            if (said.wheel() != null) {
                tyres.refusalOfDescribing(view, said.wheel().place()).ifPresent(why -> row.fault("position", why));
            }
            lines.add(new Line(said.wheel(), row.text("place", 100), tyre, request.plainNote()));
        }
        long atWheels = lines.stream().filter(line -> line.wheel() != null).count();
        return new Prepared(
                List.of(
                        atWheels + " tyres at wheels are described",
                        (lines.size() - atWheels) + " tyres are taken into a store"),
                pen -> lines.forEach(line -> {
                    if (line.wheel() == null) {
                        pen.make(tyres.adding(
                                line.tyre(),
                                line.note(),
                                new TyrePlace.Away(TyrePlace.Kind.STORE, line.place()),
                                clock.instant(),
                                wish.who()));
                    } else {
                        pen.make(tyres.describing(
                                line.wheel().vehicle(), line.wheel().position(), line.tyre(), line.note()));
                    }
                }));
    }

    /** Programs that reckon drop the nought that a date code begins with. */
    private static @Nullable String dateCode(SheetRow row) {
        String text = row.text("dateCode", 4);
        return text != null && text.matches("\\d{3}") ? "0" + text : text;
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        for (Object[] found : view.select(
                        "select t, s from TyreRow t join TyreStayRow s on s.tyreId = t.id where s.toAt = "
                                + TyreStay.OPEN + " order by t.id",
                        Object[].class)
                .getResultList()) {
            Tyre tyre = ((TyreRow) found[0]).tyre();
            TyrePlace place = ((TyreStayRow) found[1]).stay().place();
            if (place.isForGood()) {
                continue;
            }
            rows.add(Arrays.asList(
                    place.asWheel().map(wheel -> wheels.ref(wheel.vehicle())).orElse(null),
                    place.asWheel().map(wheel -> wheel.position().code()).orElse(null),
                    place instanceof TyrePlace.Away away ? away.name() : null,
                    tyre.maker(),
                    tyre.pattern(),
                    tyre.size(),
                    tyre.loadIndex(),
                    tyre.speedSymbol(),
                    tyre.dateCode(),
                    tyre.isRetread(),
                    tyre.isDirectional(),
                    ((TyreRow) found[0]).note));
        }
        return rows;
    }
}
