package vividcaravan.core.driver;

import java.util.ArrayList;
import java.util.List;

/**
 * What a driver is told of an alert.
 *
 * @param where the vehicle and the wheel, in words that cannot be confused
 * @param doNow what to do now
 * @param why in one line
 * @param doNot what not to do, the most dangerous first
 * @param then what to do after that
 */
public record Instruction(String where, String doNow, String why, List<String> doNot, String then) {

    public Instruction {
        doNot = List.copyOf(doNot);
    }

    /**
     * The same as one text, for a mail or a message.
     *
     * @param call whom to call, as a whole sentence, or null where nobody is given
     */
    public String text(String call) {
        List<String> lines = new ArrayList<>(List.of(doNow, where, why));
        lines.addAll(doNot);
        lines.add(then);
        if (call != null) {
            lines.add(call);
        }
        return String.join("\n", lines);
    }
}
