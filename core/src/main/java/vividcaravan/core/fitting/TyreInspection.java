package vividcaravan.core.fitting;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;

/**
 * What somebody saw of a wheel before it was fitted.
 *
 * @param treadMm tread depth at several points, mm
 * @param dateCode the four digits of week and year; null if they could not be read
 * @param stem how the valve stem looks
 * @param isValveReachable whether both valves of a twin pair can be reached
 * @param isRetread whether the tyre was retreaded
 * @param damage what else is wrong with it; null if nothing is
 * @param tyre type and size as they stand on the sidewall; null if they were not written down
 */
public record TyreInspection(
        List<Double> treadMm,
        String dateCode,
        Stem stem,
        boolean isValveReachable,
        boolean isRetread,
        String damage,
        String tyre) {

    private static final double DEEPEST_MM = 80;
    private static final double MATE_MM = 3;

    /** How a valve stem looks. */
    public enum Stem {
        SOUND,
        SCRATCHED,
        RUSTY,
        BENT
    }

    /**
     * What a fleet asks of a tyre. Local law goes first.
     *
     * @param minTreadSteerMm least tread on steered axles, mm
     * @param minTreadMm least tread elsewhere, mm
     * @param maxAgeYears how old a tyre may be
     * @param allowsRetreadOnSteer whether steered axles of other vehicles than buses may have retreads
     */
    public record Rules(double minTreadSteerMm, double minTreadMm, int maxAgeYears, boolean allowsRetreadOnSteer) {

        /**
         * Where nothing else is set: 4/32 in on steered axles and 2/32 in elsewhere [49 CFR 393.75(b) and (c)], ten years
         * [from memory: one country's rule for front axles of heavy vehicles], no retreads in front [49 CFR 393.75(d) says
         * so of buses].
         */
        public static final Rules DEFAULT = new Rules(3.175, 1.5875, 10, false);

        /**
         * @throws IllegalArgumentException if a figure cannot be
         */
        public Rules {
            if (!(minTreadSteerMm >= 0 && minTreadSteerMm <= 20 && minTreadMm >= 0 && minTreadMm <= 20)) {
                throw new IllegalArgumentException(
                        "least tread is 0 to 20 mm, was " + minTreadSteerMm + " and " + minTreadMm);
            }
            if (!(maxAgeYears >= 1 && maxAgeYears <= 30)) {
                throw new IllegalArgumentException("an age limit is 1 to 30 years, was " + maxAgeYears);
            }
        }

        /** Least tread on an axle of this role, mm. */
        public double leastMm(AxleRole role) {
            return role == AxleRole.STEER ? minTreadSteerMm : minTreadMm;
        }
    }

    /**
     * @throws IllegalArgumentException if a tread depth cannot be
     */
    public TyreInspection {
        treadMm = List.copyOf(treadMm);
        for (double mm : treadMm) {
            if (!(mm >= 0 && mm <= DEEPEST_MM)) {
                throw new IllegalArgumentException("a tread depth is 0 to 80 mm, was " + mm);
            }
        }
    }

    /** The shallowest point, mm; not a number if none was measured. */
    public double shallowestMm() {
        return treadMm.stream().mapToDouble(mm -> mm).min().orElse(Double.NaN);
    }

    /**
     * Why nothing should be fitted here, in words; empty if the wheel passes.
     *
     * @param kind what the vehicle is
     * @param role the axle's role; null for a spare
     * @param today the day of the inspection
     */
    public List<String> failures(VehicleKind kind, AxleRole role, Rules rules, LocalDate today) {
        List<String> failures = new ArrayList<>();
        double least = role == null ? rules.minTreadSteerMm() : rules.leastMm(role);
        if (treadMm.isEmpty()) {
            failures.add("The tread was not measured.");
        } else if (!(shallowestMm() >= least)) {
            // A tenth is as fine as a gauge reads, except where it would say that a tyre fails by nothing.
            boolean isClose = "%.1f".formatted(shallowestMm()).equals("%.1f".formatted(least));
            String figure = isClose ? "%.2f" : "%.1f";
            failures.add(String.format(
                    Locale.ROOT,
                    "Its tread is " + figure + " mm at the shallowest, the least is " + figure + " mm.",
                    shallowestMm(),
                    least));
        }
        addAge(failures, rules, today);
        if (stem != Stem.SOUND) {
            failures.add("Its valve stem is " + stem.name().toLowerCase(Locale.ROOT) + ".");
        }
        if (!isValveReachable) {
            failures.add("Its valve cannot be reached.");
        }
        // No setting of a fleet switches off what is law for the front wheels of a bus [49 CFR 393.75(d)].
        if (isRetread && role == AxleRole.STEER && kind == VehicleKind.BUS) {
            failures.add("It is a retread on a front wheel of a bus.");
        } else if (isRetread && role == AxleRole.STEER && !rules.allowsRetreadOnSteer()) {
            failures.add("It is a retread on a steered axle.");
        }
        if (damage != null) {
            failures.add("Damage: " + damage);
        }
        return failures;
    }

    private void addAge(List<String> failures, Rules rules, LocalDate today) {
        if (dateCode == null) {
            failures.add("Its date code was not read.");
            return;
        }
        try {
            int years = TyreDateCode.read(dateCode, today).years(today);
            if (years >= rules.maxAgeYears()) {
                failures.add("It is " + years + " years old, the limit is " + rules.maxAgeYears() + ".");
            }
        } catch (IllegalArgumentException e) {
            failures.add("Date code: " + e.getMessage() + ".");
        }
    }

    /**
     * How this tyre and its mate on the axle differ too much, in words; empty if they go together. More than 3 mm
     * of tread, another type or size, or one retread of two is worth a look [common practice].
     */
    public List<String> unlikeMate(TyreInspection mate) {
        List<String> differences = new ArrayList<>();
        double difference = Math.abs(shallowestMm() - mate.shallowestMm());
        if (difference > MATE_MM) {
            differences.add(String.format(
                    Locale.ROOT,
                    "Its tread and its mate's differ by %.1f mm; match them across the axle.",
                    difference));
        }
        if (tyre != null && mate.tyre != null && !plain(tyre).equals(plain(mate.tyre))) {
            differences.add("It is a " + tyre.strip() + " and its mate a " + mate.tyre.strip()
                    + "; match type and size across the axle.");
        }
        if (isRetread != mate.isRetread) {
            differences.add("One of the two is a retread; match them across the axle.");
        }
        return differences;
    }

    /** Sizes are written with more and with less space. */
    private static String plain(String text) {
        return text.replaceAll("\\s+", "").toUpperCase(Locale.ROOT);
    }
}
