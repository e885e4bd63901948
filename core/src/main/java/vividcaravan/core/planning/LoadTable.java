package vividcaravan.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vividcaravan.core.axles.WheelArrangement;

/**
 * A tyre maker's table for one size: what one tyre carries at a cold pressure. Between two rows the pressure is interpolated
 * along the load; below the first row the first pressure is the maker's minimum, and beyond the last row the tyre is
 * overloaded, which no pressure mends.
 *
 * @param rows by rising pressure, at least two; loads rise with it
 */
public record LoadTable(List<Row> rows) {

    private static final double LOWEST_KPA = 50;
    private static final double HIGHEST_KPA = 1400;
    private static final int MOST_ROWS = 60;

    /**
     * What one tyre carries.
     *
     * @param kpa cold pressure, kPa gauge
     * @param singleKg load of a single tyre, kg
     * @param twinKg load of one tyre of a twin, kg; null where the maker gives none
     */
    public record Row(double kpa, double singleKg, Double twinKg) {}

    /**
     * The pressure that a load asks for.
     *
     * @param kpa cold pressure, kPa gauge; null if the tyre cannot carry the load
     * @param mostKg what the tyre carries at most by this table, kg
     */
    public record Answer(Double kpa, double mostKg) {}

    /**
     * @throws IllegalArgumentException if {@link #faults} finds any
     */
    public LoadTable {
        rows = rows.stream().sorted(Comparator.comparingDouble(Row::kpa)).toList();
        List<String> faults = faults(rows);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.get(0));
        }
    }

    /** What is wrong with rows, in words; empty if they make a table. */
    public static List<String> faults(List<Row> unsorted) {
        List<Row> rows =
                unsorted.stream().sorted(Comparator.comparingDouble(Row::kpa)).toList();
        List<String> faults = new ArrayList<>();
        if (rows.size() < 2 || rows.size() > MOST_ROWS) {
            faults.add("A table has 2 to " + MOST_ROWS + " rows, this has " + rows.size() + ".");
        }
        for (Row row : rows) {
            if (!(row.kpa() >= LOWEST_KPA && row.kpa() <= HIGHEST_KPA)) {
                faults.add("Cold pressures are 50 to 1400 kPa, one is " + row.kpa() + ".");
            }
            if (!isLoad(row.singleKg()) || row.twinKg() != null && !isLoad(row.twinKg())) {
                faults.add("At " + Math.round(row.kpa()) + " kPa a load is not between 1 and 20000 kg.");
            }
            if (row.twinKg() != null && row.twinKg() > row.singleKg()) {
                faults.add("At " + Math.round(row.kpa())
                        + " kPa the twin carries more than the single. Are the columns exchanged?");
            }
        }
        for (int i = 1; i < rows.size(); i++) {
            checkRise(rows.get(i - 1), rows.get(i), faults);
        }
        if (rows.stream().map(row -> row.twinKg() == null).distinct().count() > 1) {
            faults.add("Give the load of a twin in every row, or in none.");
        }
        return faults;
    }

    private static boolean isLoad(double kg) {
        return kg >= 1 && kg <= 20_000;
    }

    private static void checkRise(Row lower, Row upper, List<String> faults) {
        if (!(upper.kpa() > lower.kpa())) {
            faults.add("Two rows have " + Math.round(upper.kpa()) + " kPa.");
            return;
        }
        boolean isTwinRising = lower.twinKg() == null || upper.twinKg() == null || upper.twinKg() > lower.twinKg();
        if (!(upper.singleKg() > lower.singleKg()) || !isTwinRising) {
            faults.add("From " + Math.round(lower.kpa()) + " to " + Math.round(upper.kpa())
                    + " kPa the load does not rise.");
        }
    }

    /** Whether it says anything for tyres that stand like this. */
    public boolean covers(WheelArrangement wheels) {
        return wheels != WheelArrangement.TWIN || rows.get(0).twinKg() != null;
    }

    /**
     * The cold pressure for a load on one tyre.
     *
     * @param loadKg kg, above 0
     * @throws IllegalArgumentException if the load is not above 0, or the table does not cover such an axle
     */
    public Answer pressureFor(double loadKg, WheelArrangement wheels) {
        if (!(loadKg > 0 && loadKg < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("load must be above 0 kg, was " + loadKg);
        }
        if (!covers(wheels)) {
            throw new IllegalArgumentException("the table has no column for twins");
        }
        double most = load(rows.get(rows.size() - 1), wheels);
        if (loadKg > most) {
            return new Answer(null, most);
        }
        if (loadKg <= load(rows.get(0), wheels)) {
            return new Answer(rows.get(0).kpa(), most);
        }
        int upper = 1;
        while (load(rows.get(upper), wheels) < loadKg) {
            upper++;
        }
        Row from = rows.get(upper - 1);
        Row to = rows.get(upper);
        double share = (loadKg - load(from, wheels)) / (load(to, wheels) - load(from, wheels));
        return new Answer(from.kpa() + share * (to.kpa() - from.kpa()), most);
    }

    private static double load(Row row, WheelArrangement wheels) {
        return wheels == WheelArrangement.TWIN ? row.twinKg() : row.singleKg();
    }
}
