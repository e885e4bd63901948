package vividcaravan.benchmarks;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Position;
import vividcaravan.simulator.RandomFleet;
import vividcaravan.simulator.RandomFleet.Arrival;
import vividcaravan.simulator.RandomFleet.PlantedFault;

/**
 * How well faults are found: fleets made from seeds, with faults of known onset, judged by the product and beside it by the
 * two fixed-limit schools, over the same readings.
 */
public final class Detection {

    private static final Duration LASTS = Duration.ofDays(3);
    private static final double HOUR_MILLIS = 3_600_000;

    /** Something that judges the readings of one vehicle. */
    interface School {
        /** Takes in a reading in the order of its arrival. */
        void take(Arrival arrival);

        /** What it said, once all is in. */
        List<Said> said();
    }

    /**
     * An alert.
     *
     * @param position the wheel, or null for the vehicle
     * @param steps what it was called since when, the earliest first
     */
    record Said(String vehicle, Position position, List<Step> steps) {

        /** One that was never called anything else. */
        static Said once(String vehicle, Position position, AlertKind kind, long at) {
            return new Said(vehicle, position, List.of(new Step(at, kind, false)));
        }

        /** Reading time, epoch milliseconds. */
        long openedAt() {
            return steps.get(0).at();
        }

        /** What it was called first. */
        AlertKind kind() {
            return steps.get(0).kind();
        }

        boolean isStop() {
            return steps.stream().anyMatch(Step::isStop);
        }
    }

    /**
     * From here on an alert was called this.
     *
     * @param kind null where it was no longer held to be there
     * @param isStop whether it told the driver to stop now
     */
    record Step(long at, AlertKind kind, boolean isStop) {}

    /**
     * A programme of faults.
     *
     * @param vehicles how many a fleet has
     */
    private record Programme(int vehicles, Duration lasts, LongFunction<RandomFleet> fleet) {
        static final Programme DAYS = new Programme(60, LASTS, seed -> new RandomFleet(seed, 60, LASTS));
        static final Programme MONTH = new Programme(60, Duration.ofDays(30), seed -> RandomFleet.month(seed, 60));
    }

    private Detection() {}

    /**
     * @param arguments seeds with commas between them; {@code month} for a month instead of three days, {@code verbose} to
     *     hear of every miss, {@code http} to ask the running product instead of its judge alone
     */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        long[] seeds = arguments.length > 0
                ? Arrays.stream(arguments[0].split(","))
                        .mapToLong(Long::parseLong)
                        .toArray()
                : new long[] {1, 2, 3, 4};
        List<String> wishes = List.of(arguments);
        Programme programme = wishes.contains("month") ? Programme.MONTH : Programme.DAYS;
        if (wishes.contains("http")) {
            try (ProductUnderLoad product = ProductUnderLoad.start()) {
                measure(
                        programme,
                        seeds,
                        Map.of("Vivid Caravan over HTTP", vehicle -> new DeliveredSchool(product, vehicle)),
                        wishes.contains("verbose"));
            }
            return;
        }
        Map<String, Function<RandomFleet.Vehicle, School>> schools = new LinkedHashMap<>();
        schools.put("Vivid Caravan", JudgeSchool::new);
        schools.put("fixed -10 %", vehicle -> new FixedLimits(vehicle, 0.10));
        schools.put("fixed -20 %", vehicle -> new FixedLimits(vehicle, 0.20));
        measure(programme, seeds, schools, wishes.contains("verbose"));
    }

    private static void measure(
            Programme programme,
            long[] seeds,
            Map<String, Function<RandomFleet.Vehicle, School>> schools,
            boolean isVerbose) {
        Map<String, Score> scores = new LinkedHashMap<>();
        schools.keySet().forEach(name -> scores.put(name, new Score(programme.lasts())));
        for (long seed : seeds) {
            measure(programme.fleet().apply(seed), schools, scores, isVerbose);
        }
        System.out.printf(
                "seeds %s, %d vehicles each, %d days%n",
                Arrays.toString(seeds), programme.vehicles(), programme.lasts().toDays());
        scores.forEach((name, score) -> score.print(name));
    }

    private static void measure(
            RandomFleet fleet,
            Map<String, Function<RandomFleet.Vehicle, School>> schools,
            Map<String, Score> scores,
            boolean isVerbose) {
        Map<String, RandomFleet.Vehicle> vehicles =
                fleet.vehicles().stream().collect(Collectors.toMap(RandomFleet.Vehicle::ref, Function.identity()));
        Map<String, PlantedFault> faults =
                fleet.planted().stream().collect(Collectors.toMap(PlantedFault::vehicle, Function.identity()));
        List<Arrival> ofVehicle = new ArrayList<>();
        Runnable judge = () -> {
            if (!ofVehicle.isEmpty()) {
                RandomFleet.Vehicle vehicle = vehicles.get(ofVehicle.get(0).vehicle());
                PlantedFault fault = faults.get(vehicle.ref());
                PlantedCase planted = fault == null ? null : PlantedCase.of(fault, vehicle, ofVehicle);
                schools.forEach((name, make) -> {
                    School school = make.apply(vehicle);
                    ofVehicle.forEach(school::take);
                    scores.get(name).add(planted, school.said());
                    if (isVerbose && name.startsWith("Vivid")) {
                        explain(vehicle, planted, school.said());
                    }
                });
                ofVehicle.clear();
            }
        };
        fleet.run(arrival -> {
            if (!ofVehicle.isEmpty() && !ofVehicle.get(0).vehicle().equals(arrival.vehicle())) {
                judge.run();
            }
            ofVehicle.add(arrival);
        });
        judge.run();
    }

    private static void explain(RandomFleet.Vehicle vehicle, PlantedCase planted, List<Said> said) {
        List<Said> others = said.stream()
                .filter(s -> s.kind() != AlertKind.WEATHER_LOW && (planted == null || !planted.isOf(s)))
                .toList();
        boolean isNamed = planted == null || planted.isNamed(said);
        boolean isLate = planted != null && planted.isLateFastLeak(said);
        if (isNamed && others.isEmpty() && !isLate) {
            return;
        }
        System.out.printf(
                Locale.ROOT,
                "%s %s %s altitude %.0f, %s%n",
                vehicle.ref(),
                vehicle.kind(),
                vehicle.mount(),
                vehicle.altitudeM(),
                planted == null ? "well" : planted.fault());
        if (!isNamed) {
            System.out.println(said.stream().anyMatch(planted::isOf) ? "  NOT NAMED" : "  MISSED");
            said.stream().filter(planted::isOf).forEach(s -> System.out.println("    " + words(s, planted)));
        }
        if (isLate) {
            System.out.println("  LATE");
            said.stream().filter(planted::isOf).forEach(s -> System.out.println("    " + words(s, planted)));
        }
        others.forEach(s -> System.out.printf("  FALSE %s%n", words(s, planted)));
    }

    private static String words(Said said, PlantedCase planted) {
        long from = planted == null ? said.openedAt() : planted.fault().onset();
        return said.position()
                + said.steps().stream()
                        .map(step -> String.format(
                                Locale.ROOT,
                                " %.1f h %s%s",
                                (step.at() - from) / HOUR_MILLIS,
                                step.kind(),
                                step.isStop() ? "!" : ""))
                        .collect(Collectors.joining(","))
                + " at " + Instant.ofEpochMilli(said.openedAt());
    }
}
