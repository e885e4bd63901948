package vividcaravan.core.tyres;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Which tyre was where and when. A tyre is in one place at a time, and a wheel holds one tyre at a time, at every moment of
 * the past too. Immutable.
 */
public final class TyreTimeline {

    private final List<TyreStay> stays;

    private TyreTimeline(List<TyreStay> stays) {
        this.stays = List.copyOf(stays);
    }

    /**
     * A timeline of known stays.
     *
     * @throws IllegalArgumentException if two stays overlap for a tyre, a wheel or the sensor inside
     */
    public static TyreTimeline of(List<TyreStay> stays) {
        for (int i = 0; i < stays.size(); i++) {
            for (int j = i + 1; j < stays.size(); j++) {
                if (clash(stays.get(i), stays.get(j))) {
                    throw new IllegalArgumentException("stays overlap: " + stays.get(i) + " and " + stays.get(j));
                }
            }
        }
        return new TyreTimeline(stays);
    }

    private static boolean clash(TyreStay a, TyreStay b) {
        boolean isSameWheel =
                a.place() instanceof TyrePlace.AtWheel && a.place().equals(b.place());
        boolean isSameSensor = a.sensor() != null && a.sensor().equals(b.sensor());
        return (a.tyre() == b.tyre() || isSameWheel || isSameSensor) && a.overlaps(b);
    }

    /** Every stay. */
    public List<TyreStay> stays() {
        return stays;
    }

    /** Where {@code tyre} was at {@code at}. */
    public Optional<TyreStay> of(long tyre, long at) {
        return first(stay -> stay.tyre() == tyre && stay.covers(at));
    }

    /** The tyre's stay at a wheel at {@code at}. */
    public Optional<TyreStay> at(TyrePlace.AtWheel wheel, long at) {
        return first(stay -> stay.place().equals(wheel) && stay.covers(at));
    }

    private Optional<TyreStay> first(Predicate<TyreStay> wanted) {
        return stays.stream().filter(wanted).findFirst();
    }

    /** Whether anything is known of the tyre, the sensor inside one or the wheel, from {@code at} on, that began then or later. */
    boolean isChangedFrom(long at, Predicate<TyreStay> concerned) {
        return stays.stream().filter(concerned).anyMatch(stay -> stay.from() >= at && stay.from() > TyreStay.ALWAYS);
    }

    /** This timeline with nothing said of {@code tyre} from {@code at} on. */
    TyreTimeline lifted(long tyre, long at) {
        List<TyreStay> kept = new ArrayList<>();
        for (TyreStay stay : stays) {
            if (stay.tyre() != tyre || stay.to() <= at) {
                kept.add(stay);
            } else if (stay.from() < at) {
                kept.add(stay.until(at));
            }
        }
        return new TyreTimeline(kept);
    }

    /** This timeline with a tyre, lifted before, at a place that is free from {@code at} on. */
    TyreTimeline put(long tyre, TyrePlace place, Long sensor, long at) {
        TyreStay stay = new TyreStay(tyre, place, sensor, at, TyreStay.OPEN);
        first(other -> clash(other, stay)).ifPresent(other -> {
            throw new IllegalArgumentException("stays overlap: " + other + " and " + stay);
        });
        List<TyreStay> more = new ArrayList<>(stays);
        more.add(stay);
        return new TyreTimeline(more);
    }

    /** This timeline where two stays of a tyre at one place that touch at {@code at} are one. */
    TyreTimeline rejoined(long at) {
        List<TyreStay> joined = new ArrayList<>();
        for (TyreStay stay : stays) {
            Optional<TyreStay> next = first(other -> other.from() == at && stay.goesOnAs(other));
            Optional<TyreStay> before = first(other -> stay.from() == at && other.goesOnAs(stay));
            if (before.isEmpty()) {
                joined.add(next.map(stay::with).orElse(stay));
            }
        }
        return new TyreTimeline(joined);
    }
}
