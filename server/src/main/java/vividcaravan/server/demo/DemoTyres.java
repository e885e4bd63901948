package vividcaravan.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.moves.MoveRequest;
import vividcaravan.server.moves.MoveRequest.PlaceRequest;
import vividcaravan.server.moves.MoveRequest.StepRequest;
import vividcaravan.server.moves.Retorques;
import vividcaravan.server.moves.WheelMoves;
import vividcaravan.server.tyres.Tyres;

/** Tyres with histories, a rotation last week and one of yesterday whose nuts nobody has tightened again; all invented. */
@Component
class DemoTyres {

    private static final String DEMO = "the demo";
    private static final List<String> DESCRIBED = List.of("GX-01", "GT-13", "BV-01");
    private static final int[] READ_DAYS_AGO = {290, 200, 110, 20};
    private static final double KM_A_DAY = 310;

    private final FleetDirectory fleet;
    private final Tyres tyres;
    private final WheelMoves moves;
    private final Retorques retorques;

    DemoTyres(FleetDirectory fleet, Tyres tyres, WheelMoves moves, Retorques retorques) {
        this.fleet = fleet;
        this.tyres = tyres;
        this.moves = moves;
        this.retorques = retorques;
    }

    /** Before any reading came, so that what moved has been there for all of the past that is simulated since. */
    void fill(Instant begun) {
        for (String ref : DESCRIBED) {
            describe(fleet.existing(ref), begun);
        }
        tyres.add(
                tyre("Brackenridge", "Haul S", "315/80 R22.5", "1526", false),
                null,
                store("Sallow Bridge"),
                begun,
                DEMO);
        tyres.add(
                tyre("Brackenridge", "Haul S", "315/80 R22.5", "1526", false),
                null,
                store("Sallow Bridge"),
                begun,
                DEMO);
        long casing = tyres.add(
                tyre("Tarnfell", "Pull D", "315/80 R22.5", "4019", true),
                "second life",
                store("Larkmoor"),
                begun,
                DEMO);
        tyres.readTread(casing, List.of(11.5, 11.2, 11.4), null, begun.minus(Duration.ofDays(3)), DEMO);

        long plugged = tyres.add(
                tyre("Tarnfell", "Pull D", "315/80 R22.5", "3124", false),
                null,
                store("High Tarn"),
                begun.minus(Duration.ofDays(4)),
                DEMO);
        tyres.readTread(plugged, List.of(9.1, 8.8, 9.0), null, begun.minus(Duration.ofDays(2)), DEMO);
        tyres.repaired(
                plugged,
                "a nail in the crown, 4 mm; plug and patch from inside, tried under water",
                "the tyre bench at High Tarn",
                begun.minus(Duration.ofDays(2)),
                DEMO);
        change("GX-01", "2RO", casing(begun), begun.minus(Duration.ofDays(9)));

        move("GT-13", begun.minus(Duration.ofDays(6)), "worn unevenly", "2L", "3L", "2R", "3R");
        FleetVehicle rotated = fleet.existing("GT-13");
        retorques.tightened(
                rotated, rotated.retorques().stream().map(one -> one.position()).toList(), 600.0, DEMO);
        move("GT-15", begun.minus(Duration.ofHours(30)), "after the wash", "3L", "3R");
    }

    private long casing(Instant begun) {
        long id = tyres.add(
                tyre("Tarnfell", "Pull D", "315/80 R22.5", "0926", false),
                null,
                store("Larkmoor"),
                begun.minus(Duration.ofDays(12)),
                DEMO);
        tyres.readTread(id, List.of(15.8, 15.6, 15.7), null, begun.minus(Duration.ofDays(9)), DEMO);
        return id;
    }

    /** A tyre that is worn goes to the repairer, another comes in its place, and the nuts were tightened again since. */
    private void change(String ref, String position, long comes, Instant at) {
        FleetVehicle vehicle = fleet.existing(ref);
        PlaceRequest repairer = new PlaceRequest(null, null, TyrePlace.Kind.REPAIRER, "Marle Road");
        PlaceRequest wheel = new PlaceRequest(ref, position, null, null);
        moves.make(
                new MoveRequest(
                        at,
                        "to be retreaded",
                        List.of(
                                new StepRequest(
                                        ref,
                                        position,
                                        null,
                                        repairer,
                                        SensorFate.STAYS,
                                        RemovalReason.UNEVEN_WEAR,
                                        null),
                                new StepRequest(null, null, Long.toString(comes), wheel, null, null, null)),
                        List.of(new MoveRequest.VehicleDistance(ref, Math.round(391 * KM_A_DAY) * 1.0))),
                DEMO);
        retorques.tightened(
                vehicle, vehicle.retorques().stream().map(one -> one.position()).toList(), 600.0, DEMO);
    }

    private void move(String ref, Instant at, String note, String... pairs) {
        List<StepRequest> steps = new ArrayList<>();
        for (int i = 0; i < pairs.length; i += 2) {
            steps.add(step(ref, pairs[i], pairs[i + 1]));
            steps.add(step(ref, pairs[i + 1], pairs[i]));
        }
        moves.make(new MoveRequest(at, note, steps, null), DEMO);
    }

    private static StepRequest step(String ref, String from, String to) {
        return new StepRequest(ref, from, null, new PlaceRequest(ref, to, null, null), null, null, null);
    }

    private void describe(FleetVehicle vehicle, Instant begun) {
        for (Position position : vehicle.description().layout().positions()) {
            boolean isSteer = !position.isSpare()
                    && vehicle.description().layout().axle(position.axle()).role() == AxleRole.STEER;
            boolean isTrailer = vehicle.description().kind().name().contains("TRAILER");
            String size = isTrailer ? "385/65 R22.5" : "315/80 R22.5";
            Tyre tyre = tyre(
                    isTrailer ? "Brackenridge" : "Tarnfell",
                    isTrailer ? "Tow T" : isSteer ? "Haul S" : "Pull D",
                    size,
                    isSteer ? "2224" : "0823",
                    false);
            long id = tyres.describe(vehicle, position, tyre, null, Tyres.Alike.ONE);
            if (!position.isSpare()) {
                readTreads(id, begun, position.axle(), position.side().ordinal());
            }
        }
    }

    /** Later axles wear faster, the right side a little more than the left. */
    private void readTreads(long id, Instant begun, int axle, int side) {
        double perDay = 0.014 + 0.005 * axle + 0.001 * side;
        for (int days : READ_DAYS_AGO) {
            double mm = Math.round((12.9 - perDay * (READ_DAYS_AGO[0] - days + 60)) * 10) / 10.0;
            double km = Math.round((400 - days) * KM_A_DAY);
            tyres.readTread(id, List.of(mm + 0.4, mm, mm + 0.2), km, begun.minus(Duration.ofDays(days)), DEMO);
        }
    }

    private static Tyre tyre(String maker, String pattern, String size, String dateCode, boolean isRetread) {
        return new Tyre(maker, pattern, size, 156, "K", dateCode, isRetread, false);
    }

    private static TyrePlace.Away store(String name) {
        return new TyrePlace.Away(TyrePlace.Kind.STORE, name);
    }
}
