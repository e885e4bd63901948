package vividcaravan.core.judge.memory;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What the judge has seen, by name, as a tree of plain values: numbers, booleans, texts, arrays of numbers, lists and maps.
 *
 * <p>A rule says once what it remembers, in a method that serves both ways. It hands in every value under its name and goes
 * on with what it gets back: the same value while the tree is written, the stored one when it is taken up again. What is
 * not stored leaves the value as it is, and what nobody asks for is passed over; so a rule can learn a new thing, or be
 * taken away, and the others forget nothing.
 */
public final class Memory {

    private final Map<String, Object> values;
    private final boolean isTakenUp;

    private Memory(Map<String, Object> values, boolean isTakenUp) {
        this.values = values;
        this.isTakenUp = isTakenUp;
    }

    /** A memory to write into. */
    public static Memory blank() {
        return new Memory(new LinkedHashMap<>(), false);
    }

    /** A memory to take up, from the {@link #values} of one that was written. */
    public static Memory of(Map<?, ?> stored) {
        Map<String, Object> values = new LinkedHashMap<>();
        stored.forEach((name, value) -> values.put(String.valueOf(name), value));
        return new Memory(values, true);
    }

    /** What was written. */
    public Map<String, Object> values() {
        return values;
    }

    /** The names in it, in the order in which they were written. */
    public Set<String> names() {
        return values.keySet();
    }

    /** Whether it is taken up, and not written. */
    public boolean isTakenUp() {
        return isTakenUp;
    }

    /** A yes or no. */
    public boolean flag(String name, boolean value) {
        return same(name, value) instanceof Boolean stored ? stored : value;
    }

    /** A time or another whole number. */
    public long time(String name, long value) {
        return same(name, value) instanceof Number stored ? stored.longValue() : value;
    }

    /** A small whole number. */
    public int count(String name, int value) {
        return same(name, value) instanceof Number stored ? stored.intValue() : value;
    }

    /** A number with a fraction; NaN and infinities are kept. */
    public double figure(String name, double value) {
        return same(name, value) instanceof Number stored ? stored.doubleValue() : value;
    }

    /** A text, empty for none. */
    public String word(String name, String value) {
        return same(name, value) instanceof String stored ? stored : value;
    }

    /** One of some kinds, or null; a kind that is no longer there is none. */
    public <E extends Enum<E>> E choice(String name, Class<E> kinds, E value) {
        String word = word(name, value == null ? "" : value.name());
        return Stream.of(kinds.getEnumConstants())
                .filter(kind -> kind.name().equals(word))
                .findFirst()
                .orElse(null);
    }

    /** Times or other whole numbers, as many as there are. */
    public long[] times(String name, long[] list) {
        Object stored = same(name, list);
        return stored instanceof long[] plain
                ? plain.clone()
                : stored instanceof Collection<?> numbers
                        ? numbers.stream()
                                .mapToLong(n -> ((Number) n).longValue())
                                .toArray()
                        : list;
    }

    /** Numbers with fractions, as many as there are. */
    public double[] figures(String name, double[] list) {
        Object stored = same(name, list);
        return stored instanceof double[] plain
                ? plain.clone()
                : stored instanceof Collection<?> numbers
                        ? numbers.stream()
                                .mapToDouble(n -> ((Number) n).doubleValue())
                                .toArray()
                        : list;
    }

    /** Times that have fixed places in {@code list}; a place that is not stored stays as it is. */
    public void slots(String name, long[] list) {
        long[] stored = times(name, list);
        System.arraycopy(stored, 0, list, 0, Math.min(stored.length, list.length));
    }

    /** Numbers that have fixed places in {@code list}; a place that is not stored stays as it is. */
    public void slots(String name, double[] list) {
        double[] stored = figures(name, list);
        System.arraycopy(stored, 0, list, 0, Math.min(stored.length, list.length));
    }

    /** What a part of the rule remembers, in a memory of its own. */
    public Memory part(String name) {
        if (isTakenUp) {
            return of(values.get(name) instanceof Map<?, ?> stored ? stored : Map.of());
        }
        Memory part = blank();
        values.put(name, part.values);
        return part;
    }

    /**
     * Several parts of one kind.
     *
     * @param count how many are written; those that are taken up come as they are stored
     */
    public List<Memory> parts(String name, int count) {
        if (isTakenUp) {
            Collection<?> stored = values.get(name) instanceof Collection<?> list ? list : List.of();
            return stored.stream().map(part -> of((Map<?, ?>) part)).toList();
        }
        List<Memory> parts = IntStream.range(0, count).mapToObj(i -> blank()).toList();
        values.put(name, parts.stream().map(Memory::values).toList());
        return parts;
    }

    /** Leaves out what is as in {@code other}, the memory of one that has seen nothing: that is what it begins with anyway. */
    public void leaveOut(Memory other) {
        leaveOut(values, other.values);
    }

    @SuppressWarnings("unchecked")
    private static void leaveOut(Map<String, Object> values, Map<String, Object> others) {
        values.entrySet().removeIf(entry -> {
            Object other = others.get(entry.getKey());
            if (entry.getValue() instanceof Map<?, ?> part && other instanceof Map<?, ?> otherPart) {
                leaveOut((Map<String, Object>) part, (Map<String, Object>) otherPart);
                return part.isEmpty();
            }
            return others.containsKey(entry.getKey()) && Objects.deepEquals(entry.getValue(), other);
        });
    }

    /** Writes {@code value}, or looks up what was stored under its name. */
    private Object same(String name, Object value) {
        if (isTakenUp) {
            return values.get(name);
        }
        values.put(
                name,
                value instanceof long[] list ? list.clone() : value instanceof double[] list ? list.clone() : value);
        return value;
    }
}
