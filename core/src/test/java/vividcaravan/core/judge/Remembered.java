package vividcaravan.core.judge;

import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.stream.Collectors;
import vividcaravan.core.judge.rules.VehicleRules;

/** What a judge remembers, put away and taken up again as a restart does, and how much that is. */
final class Remembered {

    /** A number with a fraction and its head, as in CBOR [RFC 8949, 3], bytes; whole ones by their size. */
    private static final int OF_FRACTION = 9;
    /** A name that was said before, bytes. */
    private static final int OF_NAME = 2;

    private Remembered() {}

    static VehicleJudge afterRestart(VehicleJudge judge, VehicleRules rules) {
        VehicleJudge after = new VehicleJudge(rules);
        after.takeUp(judge.memory());
        return after;
    }

    /** The same for the same memory. */
    static String text(Object memory) {
        if (memory instanceof Map<?, ?> map) {
            return map.entrySet().stream()
                    .map(entry -> entry.getKey() + "=" + text(entry.getValue()))
                    .collect(Collectors.joining(" ", "{", "}"));
        }
        if (memory instanceof Collection<?> list) {
            return list.stream().map(Remembered::text).collect(Collectors.joining(" ", "[", "]"));
        }
        return memory instanceof long[] numbers
                ? Arrays.toString(numbers)
                : memory instanceof double[] numbers ? Arrays.toString(numbers) : String.valueOf(memory);
    }

    /** How much it is, bytes, but for the names when they are said first. */
    static int bytes(Object memory) {
        if (memory instanceof Map<?, ?> map) {
            return map.values().stream()
                    .mapToInt(value -> OF_NAME + bytes(value))
                    .sum();
        }
        if (memory instanceof Collection<?> list) {
            return list.stream().mapToInt(Remembered::bytes).sum();
        }
        if (memory instanceof long[] numbers) {
            return Arrays.stream(numbers).mapToInt(Remembered::bytes).sum();
        }
        if (memory instanceof double[] numbers) {
            return OF_FRACTION * numbers.length;
        }
        return memory instanceof Double ? OF_FRACTION : memory instanceof Number n ? bytes(n.longValue()) : 1;
    }

    private static int bytes(long number) {
        long size = number < 0 ? ~number : number;
        return size < 24 ? 1 : size < 256 ? 2 : size < 65_536 ? 3 : size < 1L << 32 ? 5 : 9;
    }
}
