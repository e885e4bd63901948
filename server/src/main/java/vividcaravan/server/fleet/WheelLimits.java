package vividcaravan.server.fleet;

import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.limits.AxleLimits;
import vividcaravan.core.limits.Basis;
import vividcaravan.server.platform.Rounded;

/** What a wheel is held to, as figures: pressures in kPa, temperatures in °C. */
public record WheelLimits(
        Basis basis,
        double targetKpa,
        double lowKpa,
        double lowCriticalKpa,
        double highKpa,
        double temperatureC,
        double temperatureCriticalC,
        double coldKpa,
        double referenceC) {

    /** The limits in {@code rules}. */
    public static WheelLimits of(WheelRules rules) {
        return of(rules.limits());
    }

    /** The limits of an axle. */
    public static WheelLimits of(AxleLimits limits) {
        return new WheelLimits(
                limits.policy().basis(),
                Rounded.tenth(limits.targetKpa()),
                Rounded.tenth(limits.lowKpa()),
                Rounded.tenth(limits.lowCriticalKpa()),
                Rounded.tenth(limits.highKpa()),
                Rounded.tenth(limits.policy().temperatureC()),
                Rounded.tenth(limits.policy().temperatureCriticalC()),
                Rounded.tenth(limits.coldKpa()),
                Rounded.tenth(limits.policy().referenceC()));
    }
}
