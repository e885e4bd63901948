package vividcaravan.core.planning;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A load table and the speed that it holds for: a tyre that goes slowly carries more at the same pressure, so a table for
 * 40 km/h says nothing of the road.
 *
 * @param table the tyre maker's
 * @param speedKmh up to which speed it holds, km/h; null where the maker says none: then it holds on the road
 */
public record RatedTable(LoadTable table, Integer speedKmh) {

    /** Whoever names no speed means the road; a table for less is one for the field, for a yard or for slow tractors, km/h [our judgement]. */
    private static final int ROAD_KMH = 65;

    /**
     * Of the tables of one size the one for a speed: that for the lowest speed that is not below it.
     *
     * @param speedKmh how fast the vehicle goes at this pressure, km/h; null for whatever the road brings, which asks for the
     *     table of the highest speed, and for one that holds on the road
     * @return empty if all are for slower vehicles
     */
    public static Optional<RatedTable> of(List<RatedTable> tables, Integer speedKmh) {
        Comparator<RatedTable> bySpeed = Comparator.comparingInt(RatedTable::speed);
        return speedKmh == null
                ? tables.stream().filter(table -> table.speed() >= ROAD_KMH).max(bySpeed)
                : tables.stream().filter(table -> table.speed() >= speedKmh).min(bySpeed);
    }

    private int speed() {
        return speedKmh == null ? Integer.MAX_VALUE : speedKmh;
    }

    /** For which speed, in words that follow a table or a load. */
    String words() {
        return speedKmh == null ? "" : " for up to " + speedKmh + " km/h";
    }
}
