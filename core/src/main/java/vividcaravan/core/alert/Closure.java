package vividcaravan.core.alert;

/**
 * How a person closes an alert.
 *
 * @param who the person's name, not blank
 * @param reason why, in words, not blank
 * @param inspectedBy who inspected the tyre off the vehicle, or null
 * @param isScrapped whether the tyre was scrapped
 * @param isTyreChanged whether another tyre was put on, and what is known of this one went with it
 * @param verdict whether the alert was right, or null where nobody says
 */
public record Closure(
        String who, String reason, String inspectedBy, boolean isScrapped, boolean isTyreChanged, Verdict verdict) {

    /** A closing of which nobody says whether the alert was right, with its tyre still there. */
    public Closure(String who, String reason, String inspectedBy, boolean isScrapped) {
        this(who, reason, inspectedBy, isScrapped, false, null);
    }

    /**
     * @throws AlertRefused if the name or the reason is missing
     */
    public Closure {
        if (who == null || who.isBlank() || reason == null || reason.isBlank()) {
            throw new AlertRefused("Closing needs a reason and a name. Say what was found or done.");
        }
    }

    /** Whether somebody inspected the tyre off the vehicle, by name. */
    public boolean isInspected() {
        return inspectedBy != null && !inspectedBy.isBlank();
    }

    boolean settlesRunSoftTyre() {
        return isScrapped || isInspected();
    }

    boolean settlesReport() {
        return isScrapped || isTyreChanged || isInspected();
    }

    String note() {
        String inspected = inspectedBy == null || inspectedBy.isBlank()
                ? ""
                : " Inspected off the vehicle by " + inspectedBy + ".";
        return reason.strip() + inspected + (isScrapped ? " Tyre scrapped." : "");
    }
}
