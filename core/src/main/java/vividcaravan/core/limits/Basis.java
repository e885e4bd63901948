package vividcaravan.core.limits;

/** Which pressure the limits are held against. */
public enum Basis {
    /** The pressure brought to 20 °C. */
    COMPENSATED,
    /** The raw gauge value. */
    GAUGE
}
