package vividcaravan.core.limits;

/** The three schools of setting limits, as policies to choose from. */
public enum LimitSchool {
    /** Cars and vans: raw gauge, a quarter below [25 %: 49 CFR 571.138] and a quarter above [common practice]. */
    LIGHT("light vehicles, on the gauge", new LimitPolicy(Basis.GAUGE, 20, 25, 25, 70, 85)),
    /** Haulage with fixed limits: raw gauge, a tenth below and a quarter above [common practice]. */
    FIXED("haulage, on the gauge", new LimitPolicy(Basis.GAUGE, 10, 20, 25, 70, 85)),
    /** Haulage at 20 °C; our default. */
    COMPENSATED("haulage, at 20 °C", LimitPolicy.DEFAULT);

    private final String words;
    private final LimitPolicy policy;

    LimitSchool(String words, LimitPolicy policy) {
        this.words = words;
        this.policy = policy;
    }

    /** The school in words. */
    public String words() {
        return words;
    }

    /** The limits it starts from. */
    public LimitPolicy policy() {
        return policy;
    }
}
