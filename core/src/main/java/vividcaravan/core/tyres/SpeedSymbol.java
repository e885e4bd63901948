package vividcaravan.core.tyres;

import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import vividcaravan.core.axles.VehicleKind;

/** Speed symbols of tyres [UN Regulation 54, annex on symbols and speeds, from memory]. */
final class SpeedSymbol {

    private static final Map<String, Integer> KMH = Map.ofEntries(
            Map.entry("A1", 5),
            Map.entry("A2", 10),
            Map.entry("A3", 15),
            Map.entry("A4", 20),
            Map.entry("A5", 25),
            Map.entry("A6", 30),
            Map.entry("A7", 35),
            Map.entry("A8", 40),
            Map.entry("B", 50),
            Map.entry("C", 60),
            Map.entry("D", 65),
            Map.entry("E", 70),
            Map.entry("F", 80),
            Map.entry("G", 90),
            Map.entry("J", 100),
            Map.entry("K", 110),
            Map.entry("L", 120),
            Map.entry("M", 130),
            Map.entry("N", 140),
            Map.entry("P", 150),
            Map.entry("Q", 160),
            Map.entry("R", 170),
            Map.entry("S", 180),
            Map.entry("T", 190),
            Map.entry("U", 200),
            Map.entry("H", 210),
            Map.entry("V", 240),
            Map.entry("W", 270),
            Map.entry("Y", 300));

    private SpeedSymbol() {}

    /** The speed that a tyre with {@code symbol} is built for, km/h; empty for null and for what is no symbol. */
    static OptionalInt kmh(String symbol) {
        Integer kmh = symbol == null ? null : KMH.get(symbol.strip().toUpperCase(Locale.ROOT));
        return kmh == null ? OptionalInt.empty() : OptionalInt.of(kmh);
    }

    /**
     * What a vehicle's tyres must be built for, km/h: lorries and what they pull are limited to 90, buses to 100 [Directive 92/6/EEC
     * as amended, from memory], farm machines go 40 [common practice]. Faster ones need more.
     */
    static int leastKmh(VehicleKind kind) {
        return switch (kind) {
            case BUS -> 100;
            case FARM_TRACTOR, IMPLEMENT -> 40;
            default -> 90;
        };
    }
}
