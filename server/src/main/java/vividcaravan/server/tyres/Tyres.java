package vividcaravan.server.tyres;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Change;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Says what a tyre is, what was measured of it, and that it was inspected. */
@Service
public class Tyres {

    private final SingleWriter writer;
    private final TyreTables tables;
    private final WornTyres worn;
    private final Clock clock;

    Tyres(SingleWriter writer, TyreTables tables, WornTyres worn, Clock clock) {
        this.worn = worn;
        this.writer = writer;
        this.tables = tables;
        this.clock = clock;
    }

    /**
     * A tyre that came, lying somewhere.
     *
     * @param at since when
     * @return its identity
     */
    public long add(Tyre tyre, @Nullable String note, TyrePlace.Away place, Instant at, String who) {
        return writer.make(adding(tyre, note, place, at, who));
    }

    /** The adding of a tyre. */
    Change<Long> adding(Tyre tyre, @Nullable String note, TyrePlace.Away place, Instant at, String who) {
        return view -> Decision.make(pen -> {
            TyreRow row = new TyreRow();
            row.describe(tyre);
            row.note = note;
            row.addedAt = clock.instant();
            row.addedBy = who;
            pen.session().insert(row);
            pen.session().insert(TyreStayRow.of(new TyreStay(row.id, place, null, at.toEpochMilli(), TyreStay.OPEN)));
            return new Done<>(row.id, Deed.of(DeedKind.TYRE_DESCRIBED, thing(row), "took in " + words(row)));
        });
    }

    /** Says what a tyre is. */
    public void describe(long id, Tyre tyre, @Nullable String note) {
        writer.make(view -> {
            existing(view, id);
            return Decision.make(pen -> Done.by(described(pen, pen.session().get(TyreRow.class, id), tyre, note)));
        });
    }

    /** Which other tyres of a vehicle, of which nothing is written down, are like one. */
    public enum Alike {
        /** None. */
        ONE,
        /** Those of its axle. */
        AXLE,
        /** Those of every axle that is described with the same size. */
        SIZE
    }

    /**
     * Says what the tyre at a wheel is, and that others are like it; a date code and a note are its own.
     *
     * @return its identity
     * @throws Refusal if the wheel has none
     */
    public long describe(FleetVehicle vehicle, Position position, Tyre tyre, @Nullable String note, Alike alike) {
        return writer.make(view -> {
            refuseIfNone(view, TyrePlace.wheel(vehicle.id(), position));
            List<Position> others = alike(view, vehicle, position, alike);
            return Decision.make(pen -> {
                Done<Long> one = described(pen, vehicle, position, tyre, note);
                Deed deed = one.deed();
                for (Position other : others) {
                    TyreRow row = tables.assume(pen, TyrePlace.wheel(vehicle.id(), other), clock.instant());
                    row.describe(tyre.asOneOfAKind());
                    pen.session().update(row);
                    deed = deed.at(vehicle.id(), other.code()).with("Alike", null, other.code());
                }
                return new Done<>(one.result(), deed);
            });
        });
    }

    private List<Position> alike(View view, FleetVehicle vehicle, Position position, Alike alike) {
        if (alike == Alike.ONE) {
            return List.of();
        }
        Set<Position> known = tables.staysOn(view, vehicle.id()).stream()
                .flatMap(stay -> stay.place().asWheel().stream())
                .map(TyrePlace.AtWheel::position)
                .collect(Collectors.toSet());
        String size = TyreTables.assumed(vehicle, position).size();
        return vehicle.description().layout().positions().stream()
                .filter(other -> !other.equals(position) && !known.contains(other))
                .filter(other -> alike == Alike.AXLE
                        ? other.axle() == position.axle() && !other.isSpare()
                        : size != null
                                && size.equals(
                                        TyreTables.assumed(vehicle, other).size()))
                .toList();
    }

    /** The describing of a tyre at a wheel. */
    Change<Long> describing(FleetVehicle vehicle, Position position, Tyre tyre, @Nullable String note) {
        return view -> {
            refuseIfNone(view, TyrePlace.wheel(vehicle.id(), position));
            return Decision.make(pen -> described(pen, vehicle, position, tyre, note));
        };
    }

    private void refuseIfNone(View view, TyrePlace.AtWheel wheel) {
        refusalOfDescribing(view, wheel).ifPresent(why -> {
            throw Refusal.conflict(why);
        });
    }

    private Done<Long> described(Pen pen, FleetVehicle vehicle, Position position, Tyre tyre, @Nullable String note) {
        long id = at(pen, TyrePlace.wheel(vehicle.id(), position), clock.instant());
        TyreRow row = pen.session().get(TyreRow.class, id);
        return new Done<>(id, described(pen, row, tyre, note).at(vehicle.id(), position.code()));
    }

    /** Why the tyre at a wheel cannot be described; empty if it can. */
    Optional<String> refusalOfDescribing(View view, TyrePlace.AtWheel wheel) {
        return refusalOfReading(view, wheel, clock.instant())
                .map(why -> wheel.position().code()
                        + " has no tyre now. Bring one there in the Workshop, under wheel moves.");
    }

    /** Why nothing can be said of the tyre that stood at a wheel then; empty if it can. */
    Optional<String> refusalOfReading(View view, TyrePlace.AtWheel wheel, Instant at) {
        List<TyreStay> stays = staysAt(view, wheel);
        boolean isKnown = stays.isEmpty() || stays.stream().anyMatch(stay -> stay.covers(at.toEpochMilli()));
        return isKnown
                ? Optional.empty()
                : Optional.of("There was no tyre at " + wheel.position().code() + " then.");
    }

    private List<TyreStay> staysAt(View view, TyrePlace.AtWheel wheel) {
        return tables.staysOn(view, wheel.vehicle()).stream()
                .filter(stay -> stay.place().equals(wheel))
                .toList();
    }

    /** The tyre that stood at a wheel then; what was taken for granted gets a row. */
    long at(Pen pen, TyrePlace.AtWheel wheel, Instant at) {
        return staysAt(View.of(pen.session()), wheel).stream()
                .filter(stay -> stay.covers(at.toEpochMilli()))
                .findFirst()
                .map(TyreStay::tyre)
                .orElseGet(() -> tables.assume(pen, wheel, clock.instant()).id);
    }

    private static Deed described(Pen pen, TyreRow row, Tyre tyre, @Nullable String note) {
        Tyre before = row.tyre();
        String noteBefore = row.note;
        row.describe(tyre);
        row.note = note;
        pen.session().update(row);
        return Deed.of(DeedKind.TYRE_DESCRIBED, thing(row), "described " + words(row))
                .with("Maker", before.maker(), tyre.maker())
                .with("Pattern", before.pattern(), tyre.pattern())
                .with("Size", before.size(), tyre.size())
                .with("Load index", before.loadIndex(), tyre.loadIndex())
                .with("Speed symbol", before.speedSymbol(), tyre.speedSymbol())
                .with("Date code", before.dateCode(), tyre.dateCode())
                .with("Retread", before.isRetread(), tyre.isRetread())
                .with("Directional", before.isDirectional(), tyre.isDirectional())
                .with("Note", noteBefore, note);
    }

    /**
     * Keeps a tread reading.
     *
     * @param points depths, mm, at least one
     * @param km how far the vehicle had run, or null
     */
    public void readTread(long id, List<Double> points, @Nullable Double km, Instant at, String who) {
        writer.make(reading(id, points, km, at, who));
    }

    /** The keeping of a tread reading. */
    Change<Void> reading(long id, List<Double> points, @Nullable Double km, Instant at, String who) {
        return view -> {
            TyreRow row = existing(view, id);
            return Decision.make(pen -> {
                TreadReadingRow reading = new TreadReadingRow();
                reading.tyreId = id;
                reading.readAt = at;
                // No gauge reads finer, and twenty points have room.
                List<Double> read =
                        points.stream().map(mm -> Math.round(mm * 100) / 100.0).toList();
                // The shallowest as it was said: a rounding must not lift it to the least that is allowed.
                reading.shallowestMm =
                        points.stream().mapToDouble(mm -> mm).min().orElseThrow();
                reading.points = read.stream().map(String::valueOf).collect(Collectors.joining(" "));
                reading.km = km;
                reading.who = who;
                pen.session().insert(reading);
                worn.touched();
                return Done.by(Deed.of(DeedKind.TREAD_READ, thing(row), "read the tread of " + words(row))
                        .with("Shallowest", "mm", null, reading.shallowestMm));
            });
        };
    }

    /** Keeps that a tyre was repaired. */
    public void repaired(long id, String what, String repairer, Instant at, String who) {
        writer.make(view -> {
            TyreRow row = existing(view, id);
            if (tables.staysOf(view, id).stream()
                    .anyMatch(stay ->
                            stay.covers(at.toEpochMilli()) && stay.place().isForGood())) {
                throw Refusal.conflict("It was scrapped by then, so nobody repaired it. Say an earlier time.");
            }
            return Decision.make(pen -> {
                TyreRepairRow repair = new TyreRepairRow();
                repair.tyreId = id;
                repair.repairedAt = at;
                repair.what = what;
                repair.repairer = repairer;
                repair.who = who;
                pen.session().insert(repair);
                return Done.by(Deed.of(DeedKind.TYRE_REPAIRED, thing(row), "wrote down a repair of " + words(row))
                        .because(what)
                        .with("Repaired by", null, repairer)
                        .with("Repaired at", Difference.TIME, null, at.toString()));
            });
        });
    }

    /**
     * A named person inspected a tyre off the vehicle: its marks are gone where it is sound.
     *
     * @param numbers of the troubles that it is sound of; empty for all of them
     * @throws Refusal if it is at a wheel, where its alert has to be closed, or has no such trouble
     */
    public void inspected(long id, Set<String> numbers, String by, String words) {
        writer.make(view -> {
            TyreRow row = existing(view, id);
            boolean isAtWheel = tables.staysOf(view, id).stream()
                    .anyMatch(stay -> stay.isOpen() && stay.place().asWheel().isPresent());
            if (isAtWheel) {
                throw Refusal.conflict("It is at a wheel. An inspection off the vehicle closes its alert on the Desk;"
                        + " or move the tyre off first.");
            }
            Map<Boolean, List<TyreMark>> isEnded = row.troubles().stream()
                    .collect(Collectors.partitioningBy(
                            mark -> numbers.isEmpty() || numbers.contains(Integer.toString(mark.number()))));
            if (!numbers.isEmpty() && isEnded.get(true).size() < numbers.size()) {
                throw Refusal.conflict("This tyre has no such trouble any more. Look at it again; nothing was saved.");
            }
            return Decision.make(pen -> {
                TyreRow stored = pen.session().get(TyreRow.class, id);
                stored.markedWith(isEnded.get(false), clock.instant());
                pen.session().update(stored);
                String ended = isEnded.get(true).stream().map(TyreMark::words).collect(Collectors.joining(" "));
                return Done.by(Deed.of(
                                DeedKind.TYRE_INSPECTED,
                                thing(row),
                                "wrote that " + words(row) + " was inspected off the vehicle and is sound")
                        .because(words)
                        .with("Inspected by", null, by)
                        .with("Mark", ended.isEmpty() ? null : ended, null));
            });
        });
    }

    private TyreRow existing(View view, long id) {
        return tables.tyre(view, id).orElseThrow(() -> Refusal.notFound("There is no tyre " + id + "."));
    }

    private static Thing thing(TyreRow row) {
        return new Thing(Thing.Kind.TYRE, Long.toString(row.id), "tyre " + row.id);
    }

    private static String words(TyreRow row) {
        String words = row.tyre().words();
        return "tyre " + row.id + (words.isEmpty() ? "" : " (" + words + ")");
    }
}
