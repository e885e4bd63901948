package vividcaravan.core.judge.weather;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.EvidenceBuilder;
import vividcaravan.core.alert.Finding;
import vividcaravan.core.alert.Others;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.judge.air.PressureLimits;
import vividcaravan.core.judge.memory.Memory;
import vividcaravan.core.judge.rules.VehicleRules;
import vividcaravan.core.judge.rules.WheelRules;
import vividcaravan.core.limits.AxleLimits;

/**
 * Cold weather: most cold gauges are below their first limit with the air all there. That is one note for the vehicle, to
 * be put right in a seasonal round; before the next trip, if some are a fifth low. A wheel that is lower than the weather
 * explains is spoken of by itself.
 */
public final class WeatherWatch {

    /** Cold gauges this old belong to the same morning. */
    private static final long MORNING_MILLIS = 3L * 60 * 60 * 1000;

    /** Wheels do not wake in the same moment; so many are waited for. */
    private static final double KNOWN = 0.75;

    private static final double MOST = 0.6;
    private static final double FEW = 0.3;
    private static final double DEADBAND = 0.02;
    /** Half way to the high limit there is time for a cold morning's round [our judgement]. */
    private static final double OVER_SOON = 0.5;

    private final List<? extends Soaked> wheels;
    private boolean isLow;
    /** How many gauges were a fifth low or more: then the round is due before the next trip. */
    private int deep;
    /** How many wheels the note names that were filled in the frost and have too much by now. */
    private int over;

    /** Watches these, every wheel of the vehicle that is known; the list may change. */
    public WeatherWatch(List<? extends Soaked> wheels) {
        this.wheels = wheels;
    }

    /** Looks at the cold gauges of the vehicle after a wheel's cold gauge was read at {@code at}. */
    public void look(long at, VehicleRules rules, Consumer<Finding> findings) {
        lookForLow(at, rules, findings);
        lookForOver(at, rules, findings);
    }

    /** What was filled right in the frost has too much once mornings get warmer: one note, before it is warm. */
    private void lookForOver(long at, VehicleRules rules, Consumer<Finding> findings) {
        List<Evidence.Shortfall> tooMuch = new ArrayList<>();
        Soaked fullest = null;
        boolean isAnyStill = false;
        double warmestC = Double.MAX_VALUE;
        for (Soaked wheel : wheels) {
            Soak soak = wheel.soak();
            if (wheel.position().isSpare() || !wheel.isFilledInTheCold()) {
                continue;
            }
            isAnyStill = true;
            AxleLimits limits = rules.at(wheel.position()).orElseThrow().limits();
            double soon = OVER_SOON * limits.policy().highPct() / 100;
            if (at - soak.at() <= MORNING_MILLIS && soak.gaugeDeviation() > Math.max(ColdFill.TOLERANCE, soon)) {
                tooMuch.add(new Evidence.Shortfall(wheel.position(), limits.coldKpa() - soak.gaugeKpa()));
                warmestC = Math.min(warmestC, warmestC(limits, soak));
                fullest = fullest == null
                                || soak.gaugeDeviation() > fullest.soak().gaugeDeviation()
                        ? wheel
                        : fullest;
            }
        }
        if (tooMuch.size() > over) {
            over = tooMuch.size();
            findings.accept(new Finding.Raised(
                    null, AlertKind.OVER_PRESSURE, Urgency.PLAN, overEvidence(at, fullest, tooMuch, warmestC, rules)));
        } else if (over > 0 && !isAnyStill) {
            over = 0;
            findings.accept(new Finding.Cleared(null, AlertFamily.TYRE, at));
            findings.accept(new Finding.Proven(null, AlertFamily.TYRE, Finding.Proof.IN_BAND, at));
        }
    }

    /** Up to which morning its cold gauge stays under the high limit, °C. */
    private static double warmestC(AxleLimits limits, Soak soak) {
        double high = limits.onTheGauge().highKpa();
        return TemperatureCompensation.AT_SEA_LEVEL.celsiusAt(high, (1 + soak.deviation()) * limits.targetKpa());
    }

    private static Evidence overEvidence(
            long at, Soaked fullest, List<Evidence.Shortfall> tooMuch, double warmestC, VehicleRules rules) {
        AxleLimits limits = rules.at(fullest.position()).orElseThrow().limits();
        Soak soak = fullest.soak();
        return new EvidenceBuilder(at)
                .measured(soak.gaugeKpa(), (1 + soak.deviation()) * limits.targetKpa(), soak.celsius())
                .target(limits.coldKpa())
                .limits(limits.onTheGauge().highKpa(), warmestC)
                .parked(true)
                .other(fullest.position())
                .others(new Others(tooMuch.size(), soak.celsius(), null, null, null, null, soak.deviation()))
                .shortfalls(List.copyOf(tooMuch))
                .build();
    }

    private void lookForLow(long at, VehicleRules rules, Consumer<Finding> findings) {
        int known = 0;
        int low = 0;
        int uneasy = 0;
        boolean isDeepStill = false;
        List<Evidence.Shortfall> shortfalls = new ArrayList<>();
        Soaked lowest = null;
        for (Soaked wheel : wheels) {
            Soak soak = wheel.soak();
            if (wheel.position().isSpare() || at - soak.at() > MORNING_MILLIS) {
                continue;
            }
            known++;
            AxleLimits limits = rules.at(wheel.position()).orElseThrow().limits();
            double limit = limits.policy().lowPct() / 100;
            boolean isTight = soak.deviation() > -limit + DEADBAND;
            if (PressureLimits.isByWeather(limits, soak.deviation())
                    && soak.gaugeDeviation() <= -PressureLimits.RUN_SOFT_LOW + DEADBAND) {
                isDeepStill = true;
                if (soak.gaugeDeviation() <= -PressureLimits.RUN_SOFT_LOW + PressureLimits.HAIR) {
                    shortfalls.add(new Evidence.Shortfall(wheel.position(), limits.coldKpa() - soak.gaugeKpa()));
                    isTight = true;
                }
            }
            low += isTight && soak.gaugeDeviation() <= -limit ? 1 : 0;
            uneasy += isTight && soak.gaugeDeviation() <= -limit + DEADBAND ? 1 : 0;
            boolean isLowest =
                    lowest == null || soak.gaugeDeviation() < lowest.soak().gaugeDeviation();
            lowest = isTight && isLowest ? wheel : lowest;
        }
        boolean isEnough = known >= Math.max(Math.min(2, wheels.size()), KNOWN * wheels.size());
        boolean isCommon = known >= 2 && low >= MOST * known;
        if (isEnough && (isCommon && !isLow || shortfalls.size() > deep)) {
            isLow = true;
            deep = Math.max(deep, shortfalls.size());
            Urgency urgency = deep > 0 ? Urgency.BEFORE_NEXT_TRIP : Urgency.PLAN;
            findings.accept(new Finding.Raised(
                    null, AlertKind.WEATHER_LOW, urgency, evidence(at, lowest, low, shortfalls, rules)));
        } else if (isEnough && isLow && uneasy < FEW * known && !isDeepStill) {
            isLow = false;
            deep = 0;
            findings.accept(new Finding.Cleared(null, AlertFamily.WEATHER, at));
            findings.accept(new Finding.Proven(null, AlertFamily.WEATHER, Finding.Proof.IN_BAND, at));
        }
    }

    private static Evidence evidence(
            long at, Soaked lowest, int low, List<Evidence.Shortfall> shortfalls, VehicleRules rules) {
        WheelRules wheelRules = rules.at(lowest.position()).orElseThrow();
        AxleLimits limits = wheelRules.limits();
        Soak soak = lowest.soak();
        return new EvidenceBuilder(at)
                .measured(soak.gaugeKpa(), (1 + soak.deviation()) * limits.targetKpa(), soak.celsius())
                .target(limits.coldKpa())
                .limits(limits.onTheGauge().lowKpa(), null)
                .parked(true)
                .other(lowest.position())
                .others(new Others(low, soak.celsius(), null, null, null, null, soak.deviation()))
                .shortfalls(List.copyOf(shortfalls))
                .build();
    }

    /** What outlives a restart. */
    public void remember(Memory memory) {
        isLow = memory.flag("isLow", isLow);
        deep = memory.count("deep", deep);
        over = memory.count("over", over);
    }
}
