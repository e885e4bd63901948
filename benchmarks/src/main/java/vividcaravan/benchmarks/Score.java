package vividcaravan.benchmarks;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import vividcaravan.benchmarks.Detection.Said;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.simulator.RandomFleet.Planted;

/** What a school did over all seeds. */
final class Score {

    private static final double HOUR_MILLIS = 3_600_000;
    private static final double HOURS_OF_DAY = 24;
    private static final double TWO_DAYS = 48;

    private final Duration lasts;
    private final Map<Planted, List<Double>> delays = new EnumMap<>(Planted.class);
    private final Map<Planted, List<Double>> leads = new EnumMap<>(Planted.class);
    private final Map<Planted, Integer> planted = new EnumMap<>(Planted.class);
    private final Map<Planted, Integer> found = new EnumMap<>(Planted.class);
    private final Map<Planted, Integer> named = new EnumMap<>(Planted.class);
    private final List<Double> fastReadings = new ArrayList<>();
    private final List<Double> seepLeads = new ArrayList<>();
    private int seepsAtTheLine;
    private int alertsOfFaults;
    private int falseAlerts;
    private int falseStops;
    private int weatherNotes;
    private int late;
    private double vehicleDays;

    Score(Duration lasts) {
        this.lasts = lasts;
    }

    /** Takes in a vehicle: what was planted, null for one that is well, and what was said. */
    void add(PlantedCase fault, List<Said> said) {
        vehicleDays += lasts.toHours() / HOURS_OF_DAY;
        List<Said> ofFault =
                fault == null ? List.of() : said.stream().filter(fault::isOf).toList();
        for (Said s : said) {
            if (s.kind() == AlertKind.WEATHER_LOW) {
                weatherNotes++;
            } else if (!ofFault.contains(s)) {
                falseAlerts++;
                falseStops += s.isStop() ? 1 : 0;
            }
        }
        if (fault == null) {
            return;
        }
        Planted what = fault.fault().what();
        planted.merge(what, 1, Integer::sum);
        Long lineAt = fault.lineAt();
        seepsAtTheLine += what == Planted.SEEP && lineAt != null ? 1 : 0;
        if (ofFault.isEmpty()) {
            return;
        }
        found.merge(what, 1, Integer::sum);
        named.merge(what, fault.isNamed(said) ? 1 : 0, Integer::sum);
        alertsOfFaults += ofFault.size();
        long first = ofFault.stream().mapToLong(Said::openedAt).min().orElseThrow();
        long word = what == Planted.SEEP ? fault.namedAt(said).orElse(Long.MAX_VALUE) : first;
        delays.computeIfAbsent(what, w -> new ArrayList<>())
                .add((first - fault.fault().onset()) / HOUR_MILLIS);
        if (lineAt != null) {
            late += word > lineAt ? 1 : 0;
        }
        if (lineAt != null && word != Long.MAX_VALUE) {
            leads.computeIfAbsent(what, w -> new ArrayList<>()).add((lineAt - word) / HOUR_MILLIS);
            if (what == Planted.SEEP) {
                seepLeads.add((lineAt - word) / HOUR_MILLIS);
            }
        }
        if (what == Planted.FAST_LEAK) {
            fastReadings.add((double) fault.readingsUntil(first));
        }
    }

    void print(String name) {
        int all = sum(planted);
        int allFound = sum(found);
        System.out.printf(
                Locale.ROOT,
                "%n%s: found %d of %d, named %d (%.1f %%), %.2f false alerts per 100 vehicle-days (%d in %.0f, %d of them"
                        + " Stop now), %d weather notes, %.2f alerts per fault, %d after their line%n",
                name,
                allFound,
                all,
                sum(named),
                sum(named) * 100.0 / Math.max(1, all),
                falseAlerts * 100 / vehicleDays,
                falseAlerts,
                vehicleDays,
                falseStops,
                weatherNotes,
                (double) alertsOfFaults / Math.max(1, allFound),
                late);
        System.out.printf(
                "  %-18s %8s %8s %14s %14s %12s%n",
                "fault", "found", "named", "delay h (p50)", "delay h (max)", "lead h (p50)");
        for (Planted what : planted.keySet()) {
            System.out.printf(
                    "  %-18s %3d / %-3d %6d %13s %14s %12s%n",
                    what,
                    found.getOrDefault(what, 0),
                    planted.get(what),
                    named.getOrDefault(what, 0),
                    at(delays.get(what), 0.5),
                    at(delays.get(what), 1),
                    at(leads.get(what), 0.5));
        }
        System.out.printf(
                "  fast leaks: readings until found, p50 %s, most %s%n", at(fastReadings, 0.5), at(fastReadings, 1));
        if (seepsAtTheLine > 0) {
            System.out.printf(
                    "  seeps that reached their first limit: %d; named before it %d, two days before it %d%n",
                    seepsAtTheLine,
                    seepLeads.stream().filter(lead -> lead > 0).count(),
                    seepLeads.stream().filter(lead -> lead >= TWO_DAYS).count());
        }
    }

    private static int sum(Map<Planted, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).sum();
    }

    private static String at(List<Double> values, double share) {
        if (values == null || values.isEmpty()) {
            return "";
        }
        List<Double> sorted = values.stream().sorted().toList();
        return String.format(Locale.ROOT, "%.1f", sorted.get((int) Math.round(share * (sorted.size() - 1))));
    }
}
