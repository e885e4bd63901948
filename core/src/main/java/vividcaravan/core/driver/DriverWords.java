package vividcaravan.core.driver;

import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.TreeMap;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.alert.SafetyNote;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;

/** The texts for drivers in one language. Common practice in the trade; makers' instructions and local law go first. */
public final class DriverWords {

    private static final String BUNDLE = "vividcaravan.core.driver.words";
    /** What the page says around the instruction. */
    private static final String PAGE = "page.";

    private final ResourceBundle texts;

    private DriverWords(Language language) {
        texts = ResourceBundle.getBundle(
                BUNDLE,
                language.locale(),
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    }

    /** The texts in {@code language}. */
    public static DriverWords in(Language language) {
        return new DriverWords(language);
    }

    /** What the driver of {@code ref} is told of {@code alert}. */
    public Instruction instruction(Alert alert, String ref) {
        boolean isParked = alert.evidence().isParked();
        return new Instruction(
                where(alert.position(), ref),
                text("do." + alert.urgency() + (isParked ? ".parked" : "")),
                why(alert),
                doNot(alert),
                text(then(alert)));
    }

    /** The vehicle and a wheel; twins by which tyre of the two it is. */
    public String where(Position position, String ref) {
        if (position == null) {
            return text("where.vehicle", ref);
        }
        if (position.isSpare()) {
            return text("where.spare", ref, position.spare());
        }
        String side = text(position.side() == Side.LEFT ? "side.left" : "side.right");
        return text("where." + position.slot(), ref, position.axle(), side);
    }

    /** A wheel of a vehicle that is known already. */
    public String wheel(Position position) {
        if (position.isSpare()) {
            return text("wheel.spare", position.spare());
        }
        String side = text(position.side() == Side.LEFT ? "side.left" : "side.right");
        return text("wheel." + position.slot(), position.axle(), side);
    }

    /** Whom to call. */
    public String call(String depot, String phone) {
        return text("call", depot, phone);
    }

    /** What the page says around the instruction, by key. */
    public Map<String, String> page() {
        Map<String, String> page = new TreeMap<>();
        texts.keySet().stream()
                .filter(key -> key.startsWith(PAGE))
                .forEach(key -> page.put(key.substring(PAGE.length()), texts.getString(key)));
        return page;
    }

    /** Why; where a person saw it, what they saw. */
    private String why(Alert alert) {
        if (alert.kind() != AlertKind.REPORTED_FAULT) {
            return text("why." + alert.kind());
        }
        List<String> seen = new ArrayList<>();
        for (WalkPoint point : WalkPoint.values()) {
            if (point != WalkPoint.OTHER && alert.hasSeen(point.words())) {
                seen.add(text("seen." + point));
            }
        }
        for (DriverAnswer answer : List.of(DriverAnswer.SMOKE, DriverAnswer.HELP)) {
            boolean isThat = answer.sight(alert.position(), "")
                    .filter(sight -> alert.hasSeen(sight.words()))
                    .isPresent();
            if (isThat) {
                seen.add(text("seen." + answer));
            }
        }
        if (alert.isRunSoft() && seen.isEmpty()) {
            seen.add(text("seen." + WalkPoint.FLAT));
        }
        return seen.isEmpty() ? text("why." + alert.kind()) : String.join(" ", seen);
    }

    private List<String> doNot(Alert alert) {
        List<SafetyNote> cautions = AlertWords.safetyNotes(alert);
        List<String> all = new ArrayList<>();
        if (cautions.contains(SafetyNote.HOT_WHEEL)) {
            all.add(text("not.near"));
            all.add(text("not.water"));
        }
        if (alert.kind() == AlertKind.FAST_LEAK) {
            all.add(text("not.beside"));
        }
        if (alert.isRunSoft() || cautions.contains(SafetyNote.RUN_SOFT)) {
            all.add(text("not.air"));
        }
        if (cautions.contains(SafetyNote.NEVER_BLEED)) {
            all.add(text("not.bleed"));
        }
        boolean mayDriveOn = alert.urgency() == Urgency.BEFORE_NEXT_TRIP || alert.urgency() == Urgency.PLAN;
        // A vehicle that stands and must not move has been told so already.
        if (!mayDriveOn) {
            all.add(text("not.on"));
        }
        return all;
    }

    private static String then(Alert alert) {
        boolean isHot = AlertWords.safetyNotes(alert).contains(SafetyNote.HOT_WHEEL);
        return isHot ? "then.hot" : alert.position() == null ? "then.vehicle" : "then.look";
    }

    private String text(String key, Object... arguments) {
        return new MessageFormat(texts.getString(key), texts.getLocale()).format(arguments);
    }
}
