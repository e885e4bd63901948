package vividcaravan.core.tyres;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How far a vehicle had run, as somebody read it.
 *
 * @param at epoch milliseconds
 * @param km km, 0 or more
 */
public record Odometer(long at, double km) {

    /**
     * What was read of the same vehicle and cannot be true together with this: more before it, or less after it.
     *
     * @param others every other reading of the vehicle, in any order
     * @return the nearest in time of those that contradict; empty where none does
     */
    public Optional<Odometer> contradictedBy(List<Odometer> others) {
        return others.stream()
                .filter(other -> other.at < at && other.km > km || other.at > at && other.km < km)
                .min(Comparator.comparingLong(other -> Math.abs(other.at - at)));
    }
}
