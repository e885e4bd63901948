package vividcaravan.server.platform;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Collects what is wrong with a request, so that all of it is said at once and nothing is done by halves. */
public final class Faults {

    private final List<Refusal.Fault> found = new ArrayList<>();

    /** Notes that {@code field} is at fault. */
    public void add(String field, String message) {
        found.add(new Refusal.Fault(field, message));
    }

    /**
     * A text that has to be there.
     *
     * @param longest how many characters it may have
     * @param message what to say if it is missing, blank or longer
     * @return the text without blanks around it; empty if it is at fault
     */
    public String text(String field, @Nullable String value, int longest, String message) {
        if (value == null || value.isBlank() || value.length() > longest) {
            add(field, message);
            return "";
        }
        return value.strip();
    }

    /** Something that has to be there. */
    public void given(String field, @Nullable Object value, String message) {
        if (value == null) {
            add(field, message);
        }
    }

    /**
     * A number that may be left out.
     *
     * @param message what to say if it is less than {@code least}, more than {@code most}, or none; the number follows
     */
    public void within(String field, @Nullable Double value, double least, double most, String message) {
        if (value != null && !(value >= least && value <= most)) {
            add(field, message + ", this says " + value + ".");
        }
    }

    /** Whether nothing was found. */
    public boolean isEmpty() {
        return found.isEmpty();
    }

    /** How much was found. */
    public int size() {
        return found.size();
    }

    /** What was found, in the order in which it was. */
    public List<Refusal.Fault> all() {
        return List.copyOf(found);
    }

    /**
     * @throws Refusal with everything that was found, if anything was; its message is the first of it
     */
    public void refuse() {
        refuse(faults -> faults.get(0).message());
    }

    /**
     * @param words the message for what was found
     * @throws Refusal with everything that was found, if anything was
     */
    public void refuse(Function<List<Refusal.Fault>, String> words) {
        if (!found.isEmpty()) {
            throw Refusal.badRequest(words.apply(all()), all());
        }
    }

    /**
     * @param words the message for what was found
     * @throws Refusal as of something that does not go together with what is there, if anything was found
     */
    public void refuseAsConflict(Function<List<Refusal.Fault>, String> words) {
        if (!found.isEmpty()) {
            throw Refusal.conflict(words.apply(all()), all());
        }
    }

    /**
     * A text that has to be there, where nothing else can be at fault.
     *
     * @throws Refusal if it is missing, blank or longer
     */
    public static String textOf(String field, @Nullable String value, int longest, String message) {
        Faults faults = new Faults();
        String text = faults.text(field, value, longest, message);
        faults.refuse();
        return text;
    }
}
