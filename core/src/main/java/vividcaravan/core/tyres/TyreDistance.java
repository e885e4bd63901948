package vividcaravan.core.tyres;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How far a tyre itself had run, from what its vehicles had: an odometer counts for the vehicle, and a tyre that goes from one to another
 * takes none of it along. Where nobody wrote down how far both vehicles had run, what came before cannot be told.
 */
public final class TyreDistance {

    private TyreDistance() {}

    /**
     * A tyre that went from one place to another.
     *
     * @param at epoch milliseconds
     * @param from the vehicle that it left, or null where it was on none
     * @param fromKm how far that one had run, km, or null
     * @param to the vehicle that it came to, or null
     * @param toKm how far that one had run, km, or null
     */
    public record Passage(long at, Long from, Double fromKm, Long to, Double toKm) {

        private boolean isWithinOne() {
            return from != null && from.equals(to);
        }
    }

    /**
     * The same readings with one count of km for all of them, which goes on from vehicle to vehicle and stands still off every
     * vehicle; it is that of the vehicle that the tyre was on last. Without km where that cannot be told.
     *
     * @param passages every passage of the tyre, in any order
     */
    public static List<TreadWear.Reading> own(List<TreadWear.Reading> readings, List<Passage> passages) {
        List<Passage> latestFirst = passages.stream()
                .filter(passage -> !passage.isWithinOne())
                .sorted(Comparator.comparingLong(Passage::at).reversed())
                .toList();
        List<TreadWear.Reading> open = new ArrayList<>(readings);
        open.sort(Comparator.comparingLong(TreadWear.Reading::at).reversed());
        List<TreadWear.Reading> own = new ArrayList<>();
        int next = 0;
        // What has to be added to an odometer of then to count on with that of now; NaN once the thread is lost.
        double ahead = 0;
        Double came = null;
        boolean isAway = false;
        for (Passage passage : latestFirst) {
            for (; next < open.size() && open.get(next).at() > passage.at(); next++) {
                own.add(moved(open.get(next), ahead));
            }
            if (passage.to() != null) {
                came = passage.toKm();
                isAway = true;
            }
            if (passage.from() != null) {
                boolean isTold = came != null && passage.fromKm() != null;
                // A tyre that is on no vehicle now counts as the last one had it.
                ahead += !isAway ? 0 : isTold ? came - passage.fromKm() : Double.NaN;
                isAway = false;
                came = null;
            }
        }
        for (; next < open.size(); next++) {
            own.add(moved(open.get(next), ahead));
        }
        return own;
    }

    /**
     * How far a tyre ran between two passages of it, km.
     *
     * @param from when the one was, epoch milliseconds
     * @param to when the other was
     * @return empty where not both say how far that vehicle had run, or it had run back
     */
    public static Optional<Double> between(long from, long to, List<Passage> passages) {
        Optional<Passage> came =
                passages.stream().filter(one -> one.at() == from).findFirst();
        Optional<Passage> went = passages.stream().filter(one -> one.at() == to).findFirst();
        return came.flatMap(in -> went.filter(out -> in.to() != null
                                && in.to().equals(out.from())
                                && in.toKm() != null
                                && out.fromKm() != null)
                        .map(out -> out.fromKm() - in.toKm()))
                .filter(km -> km >= 0);
    }

    private static TreadWear.Reading moved(TreadWear.Reading reading, double ahead) {
        boolean isTold = reading.km() != null && !Double.isNaN(ahead);
        return new TreadWear.Reading(reading.at(), reading.mm(), isTold ? (Double) (reading.km() + ahead) : null);
    }
}
