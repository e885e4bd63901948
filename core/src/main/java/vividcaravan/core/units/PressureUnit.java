package vividcaravan.core.units;

import java.util.Locale;

/** The units people read pressures in. Inside the product every pressure is in kPa. */
public enum PressureUnit {
    KPA("kPa", 1, 0),
    BAR("bar", 100, 2),
    /** 6.894757 kPa, from 0.45359237 kg, 9.80665 m/s² and 0.0254 m [NIST SP 811, appendix B.8]. */
    PSI("psi", 0.45359237 * 9.80665 / (0.0254 * 0.0254) / 1000, 1),
    /** 98.0665 kPa [NIST SP 811, appendix B.8]. */
    KGF_CM2("kgf/cm²", 98.0665, 2);

    private final String symbol;
    private final double kpa;
    private final int decimals;

    PressureUnit(String symbol, double kpa, int decimals) {
        this.symbol = symbol;
        this.kpa = kpa;
        this.decimals = decimals;
    }

    /** The unit's symbol as printed behind a number. */
    public String symbol() {
        return symbol;
    }

    /** Digits after the point that a tyre reading deserves in this unit. */
    public int decimals() {
        return decimals;
    }

    /** {@code value} of this unit in kPa. */
    public double toKpa(double value) {
        return value * kpa;
    }

    /** {@code kpa} kilopascals as a number of this unit. */
    public double fromKpa(double kilopascals) {
        return kilopascals / kpa;
    }

    /** {@code kpa} kilopascals as words, such as {@code "742 kPa"} or {@code "107.6 psi"}. */
    public String format(double kilopascals) {
        double scale = Math.pow(10, decimals);
        // Adding zero turns a rounded −0 into 0.
        double rounded = Math.rint(fromKpa(kilopascals) * scale) / scale + 0.0;
        return String.format(Locale.ROOT, "%." + decimals + "f\u00a0%s", rounded, symbol);
    }
}
