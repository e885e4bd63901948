package vividcaravan.core.alert;

/** The cautions that the product states where they apply. Makers' instructions and local law go first. */
public enum SafetyNote {
    /** 29 CFR 1910.177(f) and (g) [from memory]. */
    RUN_SOFT(
            "Before anyone adds air",
            "Do not inflate it on the vehicle. At 80 % of target or less the tyre may be damaged inside. Take the valve core"
                    + " out and let it down fully before the wheel leaves the axle, remove the wheel, and have a trained"
                    + " person inspect the tyre inside. A tyre that was run soft can read normal once inflated and still"
                    + " burst along its sidewall."),
    /** 29 CFR 1910.177 [from memory]. */
    INFLATE(
            "Before anyone adds air",
            "Inflate from outside the path a burst would take: clip-on chuck, remote gauge, in-line valve, restraining"
                    + " device where it is required. If the tyre was at 80 % of its target or less, do not inflate it on"
                    + " the vehicle: have it inspected inside."),
    /** Common practice in the trade. */
    HOT_WHEEL(
            "Before anyone goes near",
            "If there is smoke, call the emergency services. Fire risk: a hot tyre can burst or burn hours after stopping."
                    + " Keep people out of the burst path and get passengers off. Chock the wheels. Do not set the parking"
                    + " brake on hot drums. Do not use water."),
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
