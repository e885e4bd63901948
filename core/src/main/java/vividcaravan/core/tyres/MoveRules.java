package vividcaravan.core.tyres;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.axles.Side;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.core.fitting.TyreInspection;

/**
 * What speaks against bringing tyres to wheels. What is refused is law or would hide a danger; the rest is pointed out and left to
 * the person who does the work. Local law and the makers' figures go first.
 */
public record MoveRules(TyreInspection.Rules rules, LocalDate today) {

    /**
     * A tyre as it would stand after the move.
     *
     * @param tyre what is known of it
     * @param treadMm its last tread reading at the shallowest, mm, or null
     * @param mark why it must not be fitted before it was inspected off the vehicle, as a sentence; null where nothing says so
     * @param trouble what is open against it, in words; null if nothing is
     * @param isSerious whether that asks for stopping
     * @param from on which side it turned before; null if it did not
     */
    public record Standing(Tyre tyre, Double treadMm, String mark, String trouble, boolean isSerious, Side from) {}

    /**
     * A wheel.
     *
     * @param role the axle's; null for a spare
     * @param size the size that the axle is described with, or null
     * @param loadIndex the load index that the axle is described with, or null
     */
    public record Seat(Position position, VehicleKind kind, AxleRole role, String size, Integer loadIndex) {}

    /**
     * Something to be said.
     *
     * @param isRefusal whether the move must not be made
     */
    public record Advice(boolean isRefusal, String words) {}

    /** What is to be said of {@code standing} at {@code seat}. */
    public List<Advice> of(Standing standing, Seat seat) {
        List<Advice> advice = new ArrayList<>();
        if (standing.mark() != null) {
            advice.add(refuse(standing.mark()
                    + " It goes to no wheel: do not fit it, even as a spare, until a trained person has inspected it off the"
                    + " vehicle."));
        } else if (standing.isSerious()) {
            advice.add(refuse("An alert is open for it: " + standing.trouble()
                    + ". Have it repaired instead of moving it to another wheel."));
        } else if (standing.trouble() != null) {
            advice.add(
                    point("An alert is open for it: " + standing.trouble() + ". It ends here and goes with the tyre."));
        }
        addTread(standing, seat, advice);
        addRetread(standing, seat, advice);
        addAge(standing, seat, advice);
        Tyre described = new Tyre(null, null, seat.size(), null, null, null, null, null);
        if (standing.tyre().isOfOtherSize(described)) {
            advice.add(point("It is a " + standing.tyre().size().strip() + "; the axle is described with "
                    + seat.size().strip() + "."));
        }
        addLoadAndSpeed(standing.tyre(), seat, advice);
        boolean turnsRound = standing.from() != null
                && seat.position().side() != null
                && standing.from() != seat.position().side();
        if (turnsRound && Boolean.TRUE.equals(standing.tyre().isDirectional())) {
            advice.add(point("Its pattern turns one way only: on the other side it has to be turned on its rim."));
        }
        return advice;
    }

    private static void addLoadAndSpeed(Tyre tyre, Seat seat, List<Advice> advice) {
        if (tyre.loadIndex() != null && seat.loadIndex() != null && tyre.loadIndex() < seat.loadIndex()) {
            advice.add(point("Its load index is " + tyre.loadIndex() + "; the axle is described with "
                    + seat.loadIndex() + ". It is not built for the load there."));
        }
        int least = SpeedSymbol.leastKmh(seat.kind());
        SpeedSymbol.kmh(tyre.speedSymbol()).ifPresent(kmh -> {
            if (kmh < least) {
                advice.add(point("Its speed symbol " + tyre.speedSymbol() + " is for " + kmh
                        + " km/h; this vehicle may go " + least + ". It is not built for the speed."));
            }
        });
    }

    private void addTread(Standing standing, Seat seat, List<Advice> advice) {
        double least = seat.role() == null ? rules.minTreadMm() : rules.leastMm(seat.role());
        if (standing.treadMm() != null && !(standing.treadMm() >= least)) {
            advice.add(refuse(String.format(
                    Locale.ROOT,
                    "Its tread is %.2f mm at the shallowest; the least there is %.2f mm.",
                    standing.treadMm(),
                    least)));
        }
    }

    private void addRetread(Standing standing, Seat seat, List<Advice> advice) {
        if (seat.role() != AxleRole.STEER
                || !Boolean.TRUE.equals(standing.tyre().isRetread())) {
            return;
        }
        if (seat.kind() == VehicleKind.BUS) {
            // No setting of a fleet switches off what is law for the front wheels of a bus [49 CFR 393.75(d)].
            advice.add(refuse("It is a retread: none may run on the front wheels of a bus."));
        } else if (!rules.allowsRetreadOnSteer()) {
            advice.add(refuse("It is a retread: the fleet's rules allow none on a steered axle."));
        }
    }

    private void addAge(Standing standing, Seat seat, List<Advice> advice) {
        if (standing.tyre().dateCode() == null) {
            return;
        }
        try {
            int years = TyreDateCode.read(standing.tyre().dateCode(), today).years(today);
            if (years >= rules.maxAgeYears()) {
                String words = "It is " + years + " years old, the limit is " + rules.maxAgeYears() + ".";
                advice.add(seat.role() == AxleRole.STEER ? refuse(words) : point(words));
            }
        } catch (IllegalArgumentException e) {
            advice.add(point("Its date code: " + e.getMessage() + "."));
        }
    }

    /**
     * What is to be said of the two ends of an axle, or of a twin pair, once the tyres stand so.
     *
     * @param standings what is known, by wheel; of one axle
     */
    public List<Advice> ofAxle(Map<Position, Standing> standings) {
        List<Advice> advice = new ArrayList<>();
        List<Position> wheels = List.copyOf(standings.keySet());
        for (int i = 0; i < wheels.size(); i++) {
            for (int j = i + 1; j < wheels.size(); j++) {
                Position one = wheels.get(i);
                Position other = wheels.get(j);
                boolean isTwinPair = one.side() == other.side();
                boolean isAcross = one.slot() == other.slot();
                if (isTwinPair || isAcross) {
                    addMates(one, standings.get(one), other, standings.get(other), isTwinPair, advice);
                }
            }
        }
        return advice;
    }

    private static void addMates(
            Position one, Standing first, Position other, Standing second, boolean isTwinPair, List<Advice> advice) {
        String wheels = one.code() + " and " + other.code();
        boolean isRefused = isTwinPair && first.tyre().isOfOtherSize(second.tyre());
        for (String difference : first.tyre().unlikeMate(first.treadMm(), second.tyre(), second.treadMm())) {
            advice.add(new Advice(
                    isRefused && difference.startsWith("it is"),
                    wheels + ": " + difference + (isTwinPair ? "; twins must match" : "; match them across the axle")
                            + "."));
        }
    }

    private static Advice refuse(String words) {
        return new Advice(true, words);
    }

    private static Advice point(String words) {
        return new Advice(false, words);
    }
}
