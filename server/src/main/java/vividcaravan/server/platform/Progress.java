package vividcaravan.server.platform;

import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How far the long works are that somebody waits for. */
@Component
public class Progress {

    /** What a work is counted in. */
    public enum Unit {
        VEHICLES,
        BYTES
    }

    /**
     * A work under way.
     *
     * @param what what it is, in words that go on behind "how far:", such as "the fleet document"
     * @param all how much it will be in all, as far as that is known; otherwise null
     */
    public record Stand(String what, Unit unit, long done, @Nullable Long all) {}

    /** What is done meanwhile. */
    public interface Work<T, E extends Exception> {
        T make() throws E;
    }

    private record Known(String what, Unit unit, LongSupplier done, @Nullable Long all) {}

    private final ConcurrentLinkedQueue<Known> works = new ConcurrentLinkedQueue<>();

    /**
     * Does a work; how far it is can be asked for until it ends, whatever came of it.
     *
     * @param done how much is done; asked for from other threads
     * @param all null where nobody knows
     */
    public <T, E extends Exception> T during(
            String what, Unit unit, LongSupplier done, @Nullable Long all, Work<T, E> work) throws E {
        Known known = new Known(what, unit, done, all);
        works.add(known);
        try {
            return work.make();
        } finally {
            works.removeIf(other -> other == known);
        }
    }

    /** What is under way, the oldest first. */
    public List<Stand> underWay() {
        return works.stream()
                .map(work -> new Stand(work.what(), work.unit(), work.done().getAsLong(), work.all()))
                .toList();
    }
}
