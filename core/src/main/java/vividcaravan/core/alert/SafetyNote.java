package vividcaravan.core.alert;

/** The cautions that the product states where they apply. Makers' instructions and local law go first. */
public enum SafetyNote {
    /** 29 CFR 1910.177(f) and (g) [from memory]. */
    RUN_SOFT(
            "Before anyone adds air",
            "At 80 % of target or less the tyre may be damaged inside. Do not inflate it on the vehicle. Take the valve core"
                    + " out and let it down fully before the wheel leaves the axle, take it off, and have a trained person"
                    + " look at it inside. A tyre that was run soft can read perfect after filling and burst along its"
                    + " sidewall."),
    /** 29 CFR 1910.177 [from memory]. */
    INFLATE(
            "Before anyone adds air",
            "Inflate from outside the path a burst would take: clip-on chuck, remote gauge, in-line valve, restraining"
                    + " device where it is required. If the tyre was at 80 % of its target or less, do not inflate it on"
                    + " the vehicle: have it looked at inside."),
    /** Common practice in the trade. */
    HOT_WHEEL(
            "Before anyone goes near",
            "Fire risk: a hot tyre can burst or burn hours after stopping. Keep people out of the line of the wheel, get"
                    + " passengers off, chock the wheels rather than set the parking brake on hot drums, use no water. Call"
                    + " the emergency services if there is smoke."),
    /** Common practice in the trade. */
    NEVER_BLEED(
            "Before anyone lets air out", "Never bleed a hot tyre down to its cold figure. Let it cool, then set it.");

    private final String title;
    private final String text;

    SafetyNote(String title, String text) {
        this.title = title;
        this.text = text;
    }

    /** The heading above the caution. */
    public String title() {
        return title;
    }

    /** The caution in words. */
    public String text() {
        return text;
    }
}
