package vividcaravan.core.driver;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Departure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.core.alert.SafetyNote;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.core.words.Catalogue;
import vividcaravan.core.words.Language;

/** The texts for drivers in one language. Common practice in the trade; makers' instructions and local law go first. */
public final class DriverWords {

    /** What the page says around the instruction. */
    private static final String PAGE = "page.";

    private final Catalogue texts;

    private DriverWords(Language language) {
        texts = Catalogue.of(DriverWords.class, language);
    }

    /** The texts in {@code language}. */
    public static DriverWords in(Language language) {
        return new DriverWords(language);
    }

    /**
     * What the driver of {@code ref} is told of {@code alert}.
     *
     * @param holds what the gate says of the vehicle: both say one thing
     */
    public Instruction instruction(Alert alert, String ref, Departure.Holds holds) {
        return new Instruction(
                where(alert.position(), ref),
                text(doNow(alert, holds)),
                why(alert),
                doNot(alert, holds),
                text(then(alert)));
    }

    private static String doNow(Alert alert, Departure.Holds holds) {
        boolean isParked = alert.evidence().isParked();
        boolean isUrgent = alert.urgency() == Urgency.STOP_NOW || alert.urgency() == Urgency.NEXT_STOP;
        return switch (holds.of(alert)) {
            case MAY_LEAVE -> holds.whole() == Departure.Verdict.MAY_LEAVE ? "do.PLAN" : "do.PLAN.held";
            // Whoever drives stops first and has it checked then.
            case LOOK_FIRST -> isUrgent && !isParked ? "do." + alert.urgency() : "do.check";
            case NOT_YET -> {
                Urgency atLeast = alert.urgency() == Urgency.PLAN ? Urgency.BEFORE_NEXT_TRIP : alert.urgency();
                yield "do." + atLeast + (isParked ? ".parked" : "");
            }
        };
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
        return texts.startingWith(PAGE);
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

    private List<String> doNot(Alert alert, Departure.Holds holds) {
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
        boolean mayDriveOn = holds.of(alert) == Departure.Verdict.MAY_LEAVE
                || alert.urgency() == Urgency.BEFORE_NEXT_TRIP
                || alert.urgency() == Urgency.PLAN;
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
        return texts.text(key, arguments);
    }
}
