package vividcaravan.benchmarks;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Position;
import vividcaravan.simulator.RandomFleet;
import vividcaravan.simulator.RandomFleet.Arrival;
import vividcaravan.simulator.RandomFleet.Planted;
import vividcaravan.simulator.RandomFleet.PlantedFault;

/**
 * How well faults are found: fleets made from seeds, with faults of known onset, judged by the product and beside it by the
 * two fixed-limit schools, over the same readings.
 */
public final class Detection {

    private static final int VEHICLES = 60;
    private static final Duration LASTS = Duration.ofDays(3);
    private static final double HOUR_MILLIS = 3_600_000;
    private static final double LINE = 0.8;

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
     * @param openedAt reading time, epoch milliseconds
     * @param position the wheel, or null for the vehicle
     */
    record Said(String vehicle, Position position, AlertKind kind, long openedAt) {}

    private record Tally(int planted, int found, List<Double> delays, List<Double> leads, int alerts) {}

    private Detection() {}

    /**
     * @param arguments seeds with commas between them; {@code verbose} to hear of every miss, {@code http} to ask the
     *     running product instead of its judge alone
     */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        long[] seeds = arguments.length > 0
                ? Arrays.stream(arguments[0].split(","))
                        .mapToLong(Long::parseLong)
                        .toArray()
                : new long[] {1, 2, 3, 4};
        List<String> wishes = List.of(arguments);
        if (wishes.contains("http")) {
            try (ProductUnderLoad product = ProductUnderLoad.start()) {
                measure(
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
        measure(seeds, schools, wishes.contains("verbose"));
    }

    private static void measure(
            long[] seeds, Map<String, Function<RandomFleet.Vehicle, School>> schools, boolean isVerbose) {
        Map<String, Score> scores = new LinkedHashMap<>();
        schools.keySet().forEach(name -> scores.put(name, new Score()));
        for (long seed : seeds) {
            measure(seed, schools, scores, isVerbose);
        }
        System.out.printf("seeds %s, %d vehicles each, %d days%n", Arrays.toString(seeds), VEHICLES, LASTS.toDays());
        scores.forEach((name, score) -> score.print(name));
    }

    private static void measure(
            long seed,
            Map<String, Function<RandomFleet.Vehicle, School>> schools,
            Map<String, Score> scores,
            boolean isVerbose) {
        RandomFleet fleet = new RandomFleet(seed, VEHICLES, LASTS);
        Map<String, RandomFleet.Vehicle> vehicles =
                fleet.vehicles().stream().collect(Collectors.toMap(RandomFleet.Vehicle::ref, Function.identity()));
        Map<String, PlantedFault> faults =
                fleet.planted().stream().collect(Collectors.toMap(PlantedFault::vehicle, Function.identity()));
        List<Arrival> ofVehicle = new ArrayList<>();
        Runnable judge = () -> {
            if (!ofVehicle.isEmpty()) {
                RandomFleet.Vehicle vehicle = vehicles.get(ofVehicle.get(0).vehicle());
                PlantedFault fault = faults.get(vehicle.ref());
                Long lineAt = lineAt(fault, vehicle, ofVehicle);
                schools.forEach((name, make) -> {
                    School school = make.apply(vehicle);
                    ofVehicle.forEach(school::take);
                    scores.get(name).add(fault, lineAt, ofVehicle, school.said());
                    if (isVerbose && name.startsWith("Vivid")) {
                        explain(vehicle, fault, lineAt, school.said());
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

    /** When the faulty wheel's gauge first showed 80 % of its target; null if it never did. */
    private static Long lineAt(PlantedFault fault, RandomFleet.Vehicle vehicle, List<Arrival> arrivals) {
        if (fault == null) {
            return null;
        }
        double target = vehicle.wheels().stream()
                .filter(wheel -> wheel.position().equals(fault.position()))
                .findFirst()
                .orElseThrow()
                .targetKpa();
        return arrivals.stream()
                .filter(a ->
                        a.position().equals(fault.position()) && a.reading().at() >= fault.onset())
                .map(Arrival::reading)
                .filter(r -> r.pressureKpa() != null && r.pressureKpa() <= LINE * target)
                .map(r -> r.at())
                .min(Comparator.naturalOrder())
                .orElse(null);
    }

    private static void explain(RandomFleet.Vehicle vehicle, PlantedFault fault, Long lineAt, List<Said> said) {
        boolean isFound = fault != null && said.stream().anyMatch(s -> isOf(fault, s));
        List<Said> others = said.stream()
                .filter(s -> s.kind() != AlertKind.WEATHER_LOW && (fault == null || !isOf(fault, s)))
                .toList();
        long first = said.stream()
                .filter(s -> fault != null && isOf(fault, s))
                .mapToLong(Said::openedAt)
                .min()
                .orElse(0);
        if (lineAt != null && first > lineAt) {
            System.out.printf(
                    Locale.ROOT,
                    "%s %s %s: %.2f h after the line, which came %.1f h after onset%n",
                    vehicle.ref(),
                    vehicle.mount(),
                    fault,
                    (first - lineAt) / HOUR_MILLIS,
                    (lineAt - fault.onset()) / HOUR_MILLIS);
        }
        if (fault != null && !isFound || !others.isEmpty()) {
            System.out.printf(
                    "%s %s %s altitude %.0f, %s%n",
                    vehicle.ref(), vehicle.kind(), vehicle.mount(), vehicle.altitudeM(), fault);
            if (fault != null && !isFound) {
                System.out.printf("  MISSED (line %s)%n", lineAt);
            }
            others.forEach(s -> System.out.printf(
                    "  FALSE %s %s, %s%n",
                    s.position(),
                    s.kind(),
                    fault == null
                            ? "healthy"
                            : String.format(
                                    Locale.ROOT, "%.1f h after onset", (s.openedAt() - fault.onset()) / HOUR_MILLIS)));
        }
    }

    /** Whether what was said is about the fault: its wheel, a fitting family, not before it was there. */
    private static boolean isOf(PlantedFault fault, Said said) {
        return fault.position().equals(said.position())
                && said.openedAt() >= fault.onset()
                && FAMILY.get(fault.what()) == said.kind().family();
    }

    private static final Map<Planted, AlertFamily> FAMILY = new EnumMap<>(Map.of(
            Planted.SLOW_LEAK, AlertFamily.TYRE,
            Planted.FAST_LEAK, AlertFamily.TYRE,
            Planted.MASKED_LEAK, AlertFamily.TYRE,
            Planted.DRAGGING_BRAKE, AlertFamily.TYRE,
            Planted.WARM_BEARING, AlertFamily.TYRE,
            Planted.OVER_FILLED, AlertFamily.TYRE,
            Planted.UNDER_FILLED, AlertFamily.TYRE,
            Planted.TWIN_MISMATCH, AlertFamily.TYRE,
            Planted.DEAD_SENSOR, AlertFamily.SENSOR,
            Planted.WEAK_BATTERY, AlertFamily.BATTERY));

    /** What a school did over all seeds. */
    private static final class Score {
        private final Map<Planted, List<Double>> delays = new EnumMap<>(Planted.class);
        private final Map<Planted, List<Double>> leads = new EnumMap<>(Planted.class);
        private final Map<Planted, Integer> planted = new EnumMap<>(Planted.class);
        private final Map<Planted, Integer> found = new EnumMap<>(Planted.class);
        private final List<Double> fastReadings = new ArrayList<>();
        private int alertsOfFaults;
        private int falseAlerts;
        private int weatherNotes;
        private int late;
        private double vehicleDays;

        void add(PlantedFault fault, Long lineAt, List<Arrival> arrivals, List<Said> said) {
            vehicleDays += LASTS.toHours() / 24.0;
            List<Said> ofFault = fault == null
                    ? List.of()
                    : said.stream().filter(s -> isOf(fault, s)).toList();
            for (Said s : said) {
                if (s.kind() == AlertKind.WEATHER_LOW) {
                    weatherNotes++;
                } else if (!ofFault.contains(s)) {
                    falseAlerts++;
                }
            }
            if (fault == null) {
                return;
            }
            planted.merge(fault.what(), 1, Integer::sum);
            if (ofFault.isEmpty()) {
                return;
            }
            found.merge(fault.what(), 1, Integer::sum);
            alertsOfFaults += ofFault.size();
            long first = ofFault.stream().mapToLong(Said::openedAt).min().orElseThrow();
            delays.computeIfAbsent(fault.what(), w -> new ArrayList<>()).add((first - fault.onset()) / HOUR_MILLIS);
            boolean isLeak = Set.of(Planted.SLOW_LEAK, Planted.MASKED_LEAK).contains(fault.what());
            if (isLeak && lineAt != null) {
                leads.computeIfAbsent(fault.what(), w -> new ArrayList<>()).add((lineAt - first) / HOUR_MILLIS);
                late += first > lineAt ? 1 : 0;
            }
            if (fault.what() == Planted.FAST_LEAK) {
                fastReadings.add((double) arrivals.stream()
                        .filter(a -> a.position().equals(fault.position()))
                        .map(a -> a.reading().at())
                        .distinct()
                        .filter(at -> at >= fault.onset() && at <= first)
                        .count());
            }
        }

        void print(String name) {
            int all = planted.values().stream().mapToInt(Integer::intValue).sum();
            int allFound = found.values().stream().mapToInt(Integer::intValue).sum();
            System.out.printf(
                    Locale.ROOT,
                    "%n%s: found %d of %d, %.2f false alerts per 100 vehicle-days (%d in %.0f), %d weather notes, "
                            + "%.2f alerts per fault, %d after the 80 %% line%n",
                    name,
                    allFound,
                    all,
                    falseAlerts * 100 / vehicleDays,
                    falseAlerts,
                    vehicleDays,
                    weatherNotes,
                    (double) alertsOfFaults / Math.max(1, allFound),
                    late);
            System.out.printf(
                    "  %-16s %8s %14s %14s %12s%n", "fault", "found", "delay h (p50)", "delay h (max)", "lead h (p50)");
            for (Planted what : planted.keySet()) {
                System.out.printf(
                        "  %-16s %3d / %-3d %13s %14s %12s%n",
                        what,
                        found.getOrDefault(what, 0),
                        planted.get(what),
                        at(delays.get(what), 0.5),
                        at(delays.get(what), 1),
                        at(leads.get(what), 0.5));
            }
            System.out.printf(
                    "  fast leaks: readings until found, p50 %s, most %s%n",
                    at(fastReadings, 0.5), at(fastReadings, 1));
        }

        private static String at(List<Double> values, double share) {
            if (values == null || values.isEmpty()) {
                return "";
            }
            List<Double> sorted = values.stream().sorted().toList();
            return String.format(Locale.ROOT, "%.1f", sorted.get((int) Math.round(share * (sorted.size() - 1))));
        }
    }
}
