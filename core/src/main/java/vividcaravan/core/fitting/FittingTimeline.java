package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import vividcaravan.core.axles.Position;

/**
 * Who sat where and when. A sensor sits in one place at a time and a wheel holds one sensor at a time, at every moment of
 * the past too. A statement about the past ("it has been at 2LO since Tuesday") corrects what was believed from then on
 * and leaves what was before. Immutable.
 */
public final class FittingTimeline {

    /** A timeline without any stay. */
    public static final FittingTimeline EMPTY = new FittingTimeline(List.of());

    private final List<Fitting> fittings;

    private FittingTimeline(List<Fitting> fittings) {
        this.fittings = List.copyOf(fittings);
    }

    /**
     * A timeline of known stays.
     *
     * @throws IllegalArgumentException if two stays overlap for a sensor or for a wheel
     */
    public static FittingTimeline of(List<Fitting> fittings) {
        for (int i = 0; i < fittings.size(); i++) {
            for (int j = i + 1; j < fittings.size(); j++) {
                if (clash(fittings.get(i), fittings.get(j))) {
                    throw new IllegalArgumentException("stays overlap: " + fittings.get(i) + " and " + fittings.get(j));
                }
            }
        }
        return new FittingTimeline(fittings);
    }

    /** The same for stays that are known to hold the rule already, without the cost of looking at every pair. */
    public static FittingTimeline known(List<Fitting> fittings) {
        return new FittingTimeline(fittings);
    }

    private static boolean clash(Fitting a, Fitting b) {
        boolean isSameSensorOrWheel = a.sensor() == b.sensor() || a.isAt(b.vehicle(), b.position());
        return isSameSensorOrWheel && a.from() < b.to() && b.from() < a.to();
    }

    /** This timeline with {@code sensor} at a wheel from {@code from} on; whatever said otherwise from then on gives way. */
    public FittingTimeline fit(long sensor, long vehicle, Position position, long from) {
        List<Fitting> changed = endingAt(from, f -> f.sensor() == sensor || f.isAt(vehicle, position));
        changed.add(new Fitting(sensor, vehicle, position, from, Fitting.OPEN));
        return new FittingTimeline(changed);
    }

    /** This timeline with {@code sensor} nowhere from {@code at} on. */
    public FittingTimeline remove(long sensor, long at) {
        return new FittingTimeline(endingAt(at, f -> f.sensor() == sensor));
    }

    private List<Fitting> endingAt(long at, Predicate<Fitting> affected) {
        List<Fitting> kept = new ArrayList<>();
        for (Fitting fitting : fittings) {
            if (!affected.test(fitting) || fitting.to() <= at) {
                kept.add(fitting);
            } else if (fitting.from() < at) {
                kept.add(fitting.until(at));
            }
        }
        return kept;
    }

    /** This timeline where two stays of a sensor at one wheel that touch at {@code at} are one. */
    public FittingTimeline rejoined(long at) {
        List<Fitting> joined = new ArrayList<>();
        for (Fitting stay : fittings) {
            Optional<Fitting> before = touching(at, stay, true);
            if (before.isEmpty()) {
                joined.add(touching(at, stay, false)
                        .map(next -> stay.until(next.to()))
                        .orElse(stay));
            }
        }
        return new FittingTimeline(joined);
    }

    private Optional<Fitting> touching(long at, Fitting stay, boolean isBefore) {
        return fittings.stream()
                .filter(other -> other.sensor() == stay.sensor()
                        && other.isAt(stay.vehicle(), stay.position())
                        && (isBefore ? other.to() == at && stay.from() == at : stay.to() == at && other.from() == at))
                .findFirst();
    }

    /** Where {@code sensor} sat at {@code at}. */
    public Optional<Fitting> ofSensor(long sensor, long at) {
        return fittings.stream()
                .filter(f -> f.sensor() == sensor && f.covers(at))
                .findFirst();
    }

    /** Every stay at a wheel that touches the time from {@code from} to {@code to}, oldest first. */
    public List<Fitting> staysAt(long vehicle, Position position, long from, long to) {
        return fittings.stream()
                .filter(f -> f.isAt(vehicle, position) && f.from() < to && from < f.to())
                .sorted((a, b) -> Long.compare(a.from(), b.from()))
                .toList();
    }

    /** Every stay. */
    public List<Fitting> fittings() {
        return fittings;
    }
}
