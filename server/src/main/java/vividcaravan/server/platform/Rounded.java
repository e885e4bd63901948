package vividcaravan.server.platform;

import org.jspecify.annotations.Nullable;

/** Figures as they leave the product: no finer than they mean something. */
public final class Rounded {

    private static final double TENTHS = 10;
    private static final double THOUSANDTHS = 1_000;

    private Rounded() {}

    /** A pressure in kPa, a temperature in °C or a percentage: to a tenth. */
    public static double tenth(double figure) {
        return Math.round(figure * TENTHS) / TENTHS;
    }

    /** The same; null where there is none. */
    public static @Nullable Double tenth(@Nullable Double figure) {
        return figure == null || figure.isNaN() ? null : (Double) tenth(figure.doubleValue());
    }

    /** A share, of which a thousandth is a tenth of a per cent; null where there is none. */
    public static @Nullable Double share(@Nullable Double share) {
        return share == null || share.isNaN() ? null : (Double) (Math.round(share * THOUSANDTHS) / THOUSANDTHS);
    }
}
