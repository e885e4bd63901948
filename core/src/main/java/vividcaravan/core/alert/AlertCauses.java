package vividcaravan.core.alert;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.words.Catalogue;
import vividcaravan.core.words.Language;

/** The likely causes of an alert, the likeliest first, each with the figures that speak for it; the trade's common practice. */
record AlertCauses(Figures figures) {

    /** So much hotter than the others is no coincidence, °C [our judgement]. */
    private static final double HOTTER_C = 10;
    /** Another wheel is hot too from this share of the gap on. */
    private static final double ALSO_HOT = 0.7;
    /** The others are off their targets too from this share on. */
    private static final double ALSO_OFF = 0.06;
    /** A tyre this soft flexes so much that it heats itself, share of target. */
    private static final double SOFT = -0.08;

    /** A filling this short has its part in what the cold makes of it, share of target. */
    private static final double SHORT = 0.045;

    private static final double MILLIS_OF_MINUTE = 60_000;

    private static final Catalogue WORDS = Catalogue.of(AlertCauses.class, Language.EN);

    List<Cause> of(Alert alert) {
        Evidence evidence = alert.evidence();
        Others others = evidence.others() == null ? Others.NONE : evidence.others();
        List<Cause> causes = new ArrayList<>();
        switch (alert.kind()) {
            case SLOW_LEAK -> leaks(causes, evidence, others);
            case FAST_LEAK -> fastLeak(causes, evidence);
            case UNDER_PRESSURE -> low(causes, evidence, others);
            case OVER_PRESSURE -> {
                if (alert.position() == null) {
                    causes.add(new Cause(
                            "Filled to target in the frost",
                            "On the morning on which they were filled their cold gauges were right."));
                } else {
                    high(causes, evidence, others);
                }
            }
            case HOT_TYRE, HOT_WHEEL_END -> heat(causes, evidence, others);
            case TWIN_MISMATCH -> mismatch(causes, evidence, others);
            case SENSOR_FAULT ->
                causes.add(
                        evidence.isRepeating()
                                ? new Cause(
                                        "The sensor is stuck",
                                        "It repeats one pressure and one temperature. In a tyre that runs and cools both"
                                                + " move, as they did at the other wheels.")
                                : new Cause(
                                        "The sensor", "It reports that it cannot measure, several times in a row."));
            case SENSOR_SILENT -> silence(causes, alert, others);
            case SENSOR_BATTERY -> battery(causes, evidence);
            case SENSORS_CROSSED -> crossed(causes, alert, others);
            case WEATHER_LOW -> weather(causes, evidence, others);
            case RECEIVER_SILENT -> receiver(causes, evidence, others);
            case REPORTED_FAULT -> causes.add(new Cause(WORDS.text("cause.seen"), WORDS.text("cause.seen.why")));
        }
        return causes;
    }

    private void leaks(List<Cause> causes, Evidence evidence, Others others) {
        if (evidence.overDays() != null) {
            seep(causes, evidence.overDays(), others);
            return;
        }
        if (evidence.refills() != null) {
            causes.add(new Cause(
                    WORDS.text("cause.toppedUp"),
                    WORDS.text(
                            "cause.toppedUp.why", evidence.refills(), figures.kpaPerHour(evidence.lossKpaPerHour()))));
        }
        if (isHotter(evidence, others)) {
            causes.add(new Cause(
                    "A leak hidden by heat",
                    "It is " + hotter(evidence, others) + " hotter than the others, which holds its gauge up at "
                            + figures.kpa(evidence.gaugeKpa()) + "; at " + figures.reference() + " it has "
                            + figures.kpa(evidence.pressureAt20Kpa()) + "."));
        }
        causes.add(new Cause("Nail, valve or bead", falling(evidence, others)));
        if (evidence.isParked()) {
            causes.add(new Cause("Somebody let air out", "The vehicle stands. Ask, and write the adjustment down."));
        }
    }

    private void seep(List<Cause> causes, Evidence.OverDays days, Others others) {
        if (days.fillings() > 1) {
            causes.add(new Cause(
                    "A leak that somebody keeps filling",
                    "It was filled " + days.fillings() + " times since " + figures.day(days.since())
                            + ", and has no more than before: it loses " + figures.kpa(days.kpaPerDay())
                            + " a day in between. Ask the drivers."));
        }
        causes.add(new Cause(
                "Valve core, bead, or a nail that still seals",
                figures.lossOverDays(days) + ". A sound tyre loses that in weeks, and the "
                        + (others.count() == 1 ? "other wheel" : others.count() + " other wheels") + " did not."));
        causes.add(new Cause(
                "Rim or valve seat", "If core and tread are sound: corrosion or a cracked seat seeps alike."));
    }

    private String falling(Evidence evidence, Others others) {
        if (evidence.lossKpaPerHour() == null) {
            return "It loses air that the others keep.";
        }
        String falls = "At " + figures.reference() + " it falls " + figures.kpaPerHour(evidence.lossKpaPerHour());
        return others.lossKpaPerHour() == null
                ? falls + "."
                : falls + " while its " + siblings(others) + " within "
                        + figures.kpaPerHour(Math.max(1, Math.ceil(others.lossKpaPerHour()))) + ".";
    }

    private static String siblings(Others others) {
        return others.count() == 1 ? "one sibling stays" : others.count() + " siblings stay";
    }

    private void fastLeak(List<Cause> causes, Evidence evidence) {
        if (evidence.isFlat()) {
            causes.add(new Cause(WORDS.text("cause.flat"), WORDS.text("cause.flat.why")));
            causes.add(new Cause(WORDS.text("cause.noTyre"), WORDS.text("cause.noTyre.why")));
            return;
        }
        String fell = evidence.fallKpa() == null
                ? "It falls faster than cooling can explain."
                : "It fell " + figures.kpa(evidence.fallKpa()) + " at " + figures.reference()
                        + " within ten minutes; cooling and weather cannot do that.";
        causes.add(new Cause("A puncture, or a blow-out under way", fell));
        causes.add(
                new Cause("A valve that does not close", "The same fall, if somebody was at the wheel just before."));
    }

    private void low(List<Cause> causes, Evidence evidence, Others others) {
        stepped(causes, evidence);
        boolean isColdOnly = !evidence.isCompensated()
                && evidence.pressureAt20Kpa() != null
                && evidence.pressureAt20Kpa() > evidence.gaugeKpa();
        if (evidence.lossKpaPerHour() != null) {
            causes.add(new Cause("A leak: nail, valve or bead", falling(evidence, others)));
        }
        if (others.deviation() != null && others.deviation() <= -ALSO_OFF) {
            causes.add(new Cause(
                    "All were filled warm to the cold figure",
                    "The middle one of its " + others.count() + " siblings is " + Figures.percent(others.deviation())
                            + " under target too, all at " + figures.reference() + "."));
        }
        if (isHotter(evidence, others)) {
            causes.add(new Cause(
                    "A soft tyre that heats itself",
                    "It is " + hotter(evidence, others)
                            + " hotter than the others. Where the sensor sits on the rim, a hot brake can make the air look"
                            + " lower than it is."));
        }
        if (isColdOnly) {
            causes.add(new Cause(
                    "Cold air on top of a low filling",
                    "At " + figures.celsius(evidence.temperatureC()) + " its gauge shows "
                            + figures.kpa(evidence.gaugeKpa()) + "; at " + figures.reference() + " that would be "
                            + figures.kpa(evidence.pressureAt20Kpa()) + "."));
        }
        if (evidence.lossKpaPerHour() == null) {
            String rest = others.deviation() == null
                    ? "It does not fall measurably at present."
                    : "It does not fall measurably at present, and the middle one of its siblings is "
                            + offTarget(others.deviation()) + ".";
            causes.add(new Cause(WORDS.text("cause.short"), rest));
        }
    }

    private static String offTarget(double deviation) {
        long percent = Math.round(Math.abs(deviation) * 100);
        return percent == 0
                ? "at its target"
                : percent + "\u00a0% " + (deviation < 0 ? "under" : "over") + " its target";
    }

    private void stepped(List<Cause> causes, Evidence evidence) {
        if (evidence.step() == null) {
            return;
        }
        boolean isLess = evidence.step().kpa() < 0;
        String what = figures.step(evidence.step());
        if (isLess && !evidence.hasKeptItsLevel()) {
            causes.add(new Cause(
                    "A leak, or air that was let out",
                    what + " Take it for a leak until it has kept that level for some hours."));
        } else {
            causes.add(new Cause(
                    isLess ? "Air was let out, or the tyre was set differently" : "It was filled",
                    what + " It has kept that level since."));
        }
    }

    private void high(List<Cause> causes, Evidence evidence, Others others) {
        stepped(causes, evidence);
        boolean areOthersHigh = others.deviation() != null && others.deviation() >= ALSO_OFF;
        String beside = others.deviation() == null
                ? "Nothing was heard of the others."
                : "The middle one of its siblings is " + offTarget(others.deviation()) + ".";
        Cause filled = new Cause("Filled too high", beside);
        if (areOthersHigh) {
            causes.add(new Cause("Hot running: all wheels are high together", beside));
            causes.add(filled);
        } else {
            causes.add(filled);
        }
        if (evidence.temperatureC() != null && isHotter(evidence, others)) {
            causes.add(new Cause(
                    "A hot wheel end",
                    "It is " + hotter(evidence, others) + " hotter than the vehicle's other wheels."));
        }
    }

    private void heat(List<Cause> causes, Evidence evidence, Others others) {
        boolean isSoft = evidence.pressureAt20Kpa() != null
                && evidence.targetKpa() != null
                && evidence.pressureAt20Kpa() / evidence.targetKpa() - 1 <= SOFT;
        if (isHotToo(others.acrossC(), evidence, others)) {
            causes.add(new Cause(
                    WORDS.text("cause.axleBrakes"),
                    "The other end of the axle is at " + figures.celsius(others.acrossC())
                            + " too, the middle one of all others at " + figures.celsius(others.celsius()) + "."));
        } else if (isHotToo(others.mateC(), evidence, others)) {
            causes.add(new Cause(
                    "A dragging brake",
                    "Both tyres of this axle end are hot: its twin is at " + figures.celsius(others.mateC()) + "."));
        }
        if (evidence.lossKpaPerHour() != null) {
            causes.add(new Cause(
                    "A leak behind the heat",
                    falling(evidence, others) + " The heat holds its gauge up at " + figures.kpa(evidence.gaugeKpa())
                            + "."));
        }
        if (isSoft) {
            causes.add(new Cause(
                    "A soft tyre that heats itself",
                    "At " + figures.reference() + " it has " + figures.kpa(evidence.pressureAt20Kpa()) + " of "
                            + figures.kpa(evidence.targetKpa()) + "."));
        }
        if (others.celsius() != null && evidence.temperatureC() != null) {
            boolean isAlone = isHotter(evidence, others);
            causes.add(
                    isAlone
                            ? new Cause(
                                    "A dragging brake, a bearing or the hub",
                                    "It is at " + figures.celsius(evidence.temperatureC()) + ", the middle one of its "
                                            + others.count() + " siblings at " + figures.celsius(others.celsius())
                                            + ". A sensor outside shows about a third of the heat.")
                            : new Cause(
                                    "Hot running or a long descent",
                                    "The middle one of its " + others.count() + " siblings is at "
                                            + figures.celsius(others.celsius()) + " too."));
        } else {
            causes.add(new Cause(
                    "A dragging brake, a bearing, a soft tyre, or hot running", "Nothing was heard of the others."));
        }
    }

    private void mismatch(List<Cause> causes, Evidence evidence, Others others) {
        stepped(causes, evidence);
        if (evidence.lossKpaPerHour() != null) {
            causes.add(new Cause("The lower one leaks", falling(evidence, others)));
        }
        if (others.mateKpaAt20() != null && evidence.pressureAt20Kpa() != null) {
            causes.add(new Cause(
                    "The pair was filled differently",
                    "Its twin has " + figures.kpa(others.mateKpaAt20()) + ", it has "
                            + figures.kpa(evidence.pressureAt20Kpa()) + ", both at " + figures.reference() + "."));
        }
    }

    private void silence(List<Cause> causes, Alert alert, Others others) {
        Evidence evidence = alert.evidence();
        String since = evidence.lastHeardAt() == null
                ? "The others report."
                : "Its last word is " + Figures.duration((evidence.at() - evidence.lastHeardAt()) / MILLIS_OF_MINUTE)
                        + " older than theirs, and "
                        + (others.count() == 1 ? "its sibling was" : others.count() + " siblings were")
                        + " heard meanwhile.";
        if (alert.urgency() == Urgency.NEXT_STOP) {
            causes.add(new Cause("A tyre that has burst", "It fell silent after a loss of air or while it was hot."));
        }
        causes.add(new Cause("Sensor, battery or antenna", since));
        causes.add(new Cause("A sensor that was lost or left behind", "Likely after work at the wheel."));
    }

    private void battery(List<Cause> causes, Evidence evidence) {
        String at = evidence.temperatureC() == null ? "" : " at " + figures.celsius(evidence.temperatureC());
        causes.add(new Cause(
                "A cell near its end",
                evidence.batteryMv() == null
                        ? "It has been weak in several readings."
                        : String.format(java.util.Locale.ROOT, "%.2f\u00a0V", evidence.batteryMv() / 1000.0) + at
                                + ", several times; what the cold takes is allowed for."));
    }

    private void crossed(List<Cause> causes, Alert alert, Others others) {
        Evidence evidence = alert.evidence();
        if (evidence.other() != null && evidence.step() != null && evidence.pressureAt20Kpa() != null) {
            String was =
                    figures.kpa(evidence.pressureAt20Kpa() - evidence.step().kpa());
            String is = figures.kpa(evidence.pressureAt20Kpa());
            causes.add(new Cause(
                    "The two changed places, and nobody wrote it down",
                    Figures.upper(alert.position().words()) + " went from " + was + " to " + is + " at "
                            + figures.reference() + ", and at the same time "
                            + evidence.other().words() + " from about "
                            + is + " to " + was
                            + ". Tyres that were moved, or caps that were put on the wrong valves."));
            causes.add(new Cause(
                    "Both were set anew",
                    "Air let out here and in there at one time. Then write the adjustments down."));
            return;
        }
        if (evidence.other() != null) {
            causes.add(new Cause(
                    "The two have each other's sensors",
                    "Somebody recorded air at " + alert.position().words() + "; the pressure changed at "
                            + evidence.other().words() + " and not here."));
            causes.add(new Cause("The record names the wrong wheel", "Then correct the record."));
            return;
        }
        String cool = evidence.temperatureC() == null || others.celsius() == null
                ? "It stays cool while the others run hot."
                : "It is at " + figures.celsius(evidence.temperatureC())
                        + " while the middle one of its siblings runs at " + figures.celsius(others.celsius()) + ".";
        causes.add(new Cause("The sensor is not in this tyre", cool));
        causes.add(new Cause("It sits at another wheel", "Then the map is wrong. Prove it with a little air."));
    }

    private void weather(List<Cause> causes, Evidence evidence, Others others) {
        String low = others.count() + " cold gauges are under their first limit.";
        boolean isMeasured = evidence.gaugeKpa() != null && evidence.pressureAt20Kpa() != null;
        String lowest = evidence.other() == null
                ? "The lowest one"
                : Figures.upper(evidence.other().words()) + ", the lowest one,";
        boolean isShort = isMeasured && evidence.pressureAt20Kpa() / evidence.targetKpa() - 1 <= -SHORT;
        causes.add(new Cause(
                isShort ? "Cold air on top of a low filling" : "Cold air",
                isMeasured
                        ? low + " " + lowest + " shows " + figures.kpa(evidence.gaugeKpa()) + " at "
                                + figures.celsius(evidence.temperatureC()) + "; at " + figures.reference() + " that is "
                                + figures.kpa(evidence.pressureAt20Kpa()) + " of " + figures.kpa(evidence.targetKpa())
                                + "."
                        : low));
    }

    private void receiver(List<Cause> causes, Evidence evidence, Others others) {
        String quiet = "All " + others.count() + " wheels went quiet at once"
                + (evidence.lastHeardAt() == null
                        ? "."
                        : ", " + Figures.duration((evidence.at() - evidence.lastHeardAt()) / MILLIS_OF_MINUTE)
                                + " before this, and the vehicle is known to move.");
        causes.add(new Cause("The receiver: power, fuse or antenna", quiet));
        causes.add(new Cause("Out of coverage", "Then its readings come later, and this is taken back."));
    }

    private static boolean isHotter(Evidence evidence, Others others) {
        return others.celsius() != null
                && evidence.temperatureC() != null
                && evidence.temperatureC() - others.celsius() >= HOTTER_C;
    }

    private static boolean isHotToo(Double celsius, Evidence evidence, Others others) {
        return celsius != null
                && others.celsius() != null
                && evidence.temperatureC() != null
                && celsius - others.celsius() >= ALSO_HOT * (evidence.temperatureC() - others.celsius())
                && celsius - others.celsius() >= ALSO_HOT * HOTTER_C;
    }

    private String hotter(Evidence evidence, Others others) {
        return figures.degrees(evidence.temperatureC() - others.celsius());
    }
}
