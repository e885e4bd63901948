package vividcaravan.core.tyres;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.FittingTimeline;

/**
 * Tyres and the sensors in and on them, as far as a move concerns them: a move is one permutation, made all or not at all.
 * Each tyre is in one place, each sensor in or on one tyre or none, at every moment. Immutable.
 *
 * @param tyres every stay of the tyres moved, and of all that ever stood at the wheels they leave or come to
 * @param sensors every stay of the sensors of those wheels and tyres
 */
public record TyrePlacing(TyreTimeline tyres, FittingTimeline sensors) {

    /**
     * One tyre of a move as it was made, with what it takes to undo it.
     *
     * @param sensor the sensor that was in it or on it, or null
     */
    public record Made(long tyre, TyrePlace from, TyrePlace to, Long sensor, SensorFate fate) {

        /** Whether its wheel was off and came on again where it was: but for its nuts nothing is different. */
        public boolean isOffAndOn() {
            return from.equals(to);
        }
    }

    /** What moves make of it. */
    public record Outcome(TyrePlacing after, List<Made> made) {}

    /**
     * Why these moves cannot be made together at {@code at}; empty if they can.
     *
     * @param at epoch milliseconds
     */
    public List<MoveFault> faults(List<WheelMove> moves, long at) {
        List<MoveFault> faults = new ArrayList<>();
        Set<Long> moved = new HashSet<>();
        Map<TyrePlace, Integer> comers = new HashMap<>();
        moves.forEach(move -> moved.add(move.tyre()));
        Set<TyrePlace> left = new HashSet<>();
        moves.forEach(move -> tyres.of(move.tyre(), at).ifPresent(stay -> left.add(stay.place())));
        Set<Long> named = new HashSet<>();
        for (int i = 0; i < moves.size(); i++) {
            WheelMove move = moves.get(i);
            String fault = named.add(move.tyre())
                    ? faultOf(move, at, moved, left, comers)
                    : "This tyre is moved twice; say where it goes once.";
            if (fault != null) {
                faults.add(new MoveFault(i, fault));
            }
        }
        if (faults.isEmpty()) {
            addSensorFaults(moves, at, faults);
        }
        return faults;
    }

    private String faultOf(
            WheelMove move, long at, Set<Long> moved, Set<TyrePlace> left, Map<TyrePlace, Integer> comers) {
        Optional<TyreStay> stay = tyres.of(move.tyre(), at);
        if (stay.isEmpty()) {
            return "It is not known where this tyre was then.";
        }
        TyrePlace from = stay.get().place();
        if (from.isForGood()) {
            return "This tyre was scrapped; it cannot come back.";
        }
        boolean isOffAndOn = from.equals(move.to());
        if (isOffAndOn
                && from.asWheel().filter(wheel -> !wheel.position().isSpare()).isEmpty()) {
            return "It is there already; choose another place.";
        }
        if (!isOffAndOn && isChangedSince(move, stay.get(), at)) {
            return "It was moved or its sensor changed at that time or later. Undo that first, or say a later time.";
        }
        if (move.to() instanceof TyrePlace.AtWheel wheel) {
            if (comers.merge(wheel, 1, Integer::sum) > 1) {
                return "Two tyres cannot come to " + wheel.position().code() + ".";
            }
            boolean isHeld = tyres.at(wheel, at)
                    .filter(there -> !moved.contains(there.tyre()))
                    .isPresent();
            if (isHeld) {
                return wheel.position().code() + " has a tyre; say where that goes.";
            }
        }
        return null;
    }

    private boolean isChangedSince(WheelMove move, TyreStay stay, long at) {
        Set<TyrePlace> places = new HashSet<>();
        stay.place().asWheel().ifPresent(places::add);
        move.to().asWheel().ifPresent(places::add);
        boolean isTyreChanged =
                tyres.isChangedFrom(at, other -> other.tyre() == move.tyre() || places.contains(other.place()));
        Long sensor = sensorOf(stay, at);
        boolean isSensorChanged = sensors.fittings().stream()
                .filter(fitting -> sensor != null && fitting.sensor() == sensor
                        || places.contains(TyrePlace.wheel(fitting.vehicle(), fitting.position())))
                .anyMatch(fitting -> fitting.from() >= at || !fitting.isOpen() && fitting.to() > at);
        return isTyreChanged || isSensorChanged;
    }

    private Long sensorOf(TyreStay stay, long at) {
        return stay.place() instanceof TyrePlace.AtWheel wheel
                ? sensorAt(wheel, at).map(Fitting::sensor).orElse(null)
                : stay.sensor();
    }

    /** The sensor's stay at a wheel at {@code at}. */
    public Optional<Fitting> sensorAt(TyrePlace.AtWheel wheel, long at) {
        return sensors.fittings().stream()
                .filter(fitting -> fitting.covers(at)
                        && fitting.vehicle() == wheel.vehicle()
                        && fitting.position().equals(wheel.position()))
                .findFirst();
    }

    /** Two sensors at one wheel, or one where no tyre will be. */
    private void addSensorFaults(List<WheelMove> moves, long at, List<MoveFault> faults) {
        Set<TyrePlace> filled = new HashSet<>();
        moves.forEach(move -> move.to().asWheel().ifPresent(filled::add));
        Map<TyrePlace, Integer> sensorsAt = new HashMap<>();
        for (int i = 0; i < moves.size(); i++) {
            WheelMove move = moves.get(i);
            TyreStay stay = tyres.of(move.tyre(), at).orElseThrow();
            if (sensorOf(stay, at) == null) {
                continue;
            }
            if (move.fate() == SensorFate.STAYS && !filled.contains(stay.place())) {
                faults.add(new MoveFault(
                        i, "No tyre comes to where its sensor is to stay. Say that it goes along or is taken off."));
            } else if (move.fate() == SensorFate.TRAVELS && move.to().isForGood()) {
                faults.add(new MoveFault(
                        i,
                        "A sensor must not be left in a scrapped tyre. Take it out, or say that it is lost with it."));
            }
            TyrePlace wheel = move.fate() == SensorFate.STAYS
                    ? stay.place()
                    : move.fate() == SensorFate.TRAVELS ? move.to() : null;
            if (wheel instanceof TyrePlace.AtWheel one && sensorsAt.merge(one, 1, Integer::sum) > 1) {
                faults.add(new MoveFault(
                        i, one.position().code() + " would have two sensors. Say which of them is taken off."));
            }
        }
        for (int i = 0; i < moves.size(); i++) {
            WheelMove move = moves.get(i);
            boolean isOfEmptyWheel = move.to() instanceof TyrePlace.AtWheel wheel
                    && tyres.at(wheel, at).isEmpty()
                    && sensorAt(wheel, at).isPresent();
            if (isOfEmptyWheel && sensorsAt.getOrDefault(move.to(), 0) > 0) {
                faults.add(new MoveFault(i, "That wheel has a sensor already. Take one of them off first."));
            }
        }
    }

    /**
     * What these moves make of it.
     *
     * @param at epoch milliseconds
     * @throws IllegalArgumentException if they cannot be made
     */
    public Outcome moved(List<WheelMove> moves, long at) {
        List<MoveFault> faults = faults(moves, at);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException("cannot be moved so: " + faults);
        }
        List<Made> made = new ArrayList<>();
        for (WheelMove move : moves) {
            TyreStay stay = tyres.of(move.tyre(), at).orElseThrow();
            SensorFate fate = stay.place().equals(move.to()) ? SensorFate.TRAVELS : move.fate();
            made.add(new Made(move.tyre(), stay.place(), move.to(), sensorOf(stay, at), fate));
        }
        TyreTimeline nextTyres = tyres;
        FittingTimeline nextSensors = sensors;
        List<Made> elsewhere = made.stream().filter(one -> !one.isOffAndOn()).toList();
        for (Made one : elsewhere) {
            nextTyres = nextTyres.lifted(one.tyre(), at);
            if (one.sensor() != null) {
                nextSensors = nextSensors.remove(one.sensor(), at);
            }
        }
        for (Made one : elsewhere) {
            boolean isInside =
                    one.fate() == SensorFate.TRAVELS && one.to().asWheel().isEmpty();
            nextTyres = nextTyres.put(one.tyre(), one.to(), isInside ? one.sensor() : null, at);
            TyrePlace seat =
                    one.fate() == SensorFate.STAYS ? one.from() : one.fate() == SensorFate.TRAVELS ? one.to() : null;
            if (one.sensor() != null && seat instanceof TyrePlace.AtWheel wheel) {
                nextSensors = nextSensors.fit(one.sensor(), wheel.vehicle(), wheel.position(), at);
            }
        }
        return new Outcome(new TyrePlacing(nextTyres, nextSensors), made);
    }

    /**
     * What it is once a tyre was taken away for good at {@code at}. The sensor of its wheel stays there, and begins anew with what
     * comes.
     */
    public TyrePlacing withTyreAway(Made one, long at) {
        FittingTimeline next = sensors;
        if (one.sensor() != null && one.from() instanceof TyrePlace.AtWheel wheel) {
            next = next.remove(one.sensor(), at).fit(one.sensor(), wheel.vehicle(), wheel.position(), at);
        }
        return new TyrePlacing(tyres.lifted(one.tyre(), at).put(one.tyre(), one.to(), null, at), next);
    }

    /**
     * Why a move that was made at {@code at} cannot be undone; empty if it can.
     */
    public List<MoveFault> faultsOfUndoing(List<Made> made, long at) {
        List<MoveFault> faults = new ArrayList<>();
        for (int i = 0; i < made.size(); i++) {
            Made one = made.get(i);
            if (one.isOffAndOn()) {
                continue;
            }
            boolean isAsItWasLeft = tyres.of(one.tyre(), at)
                    .filter(stay ->
                            stay.isOpen() && stay.from() == at && stay.place().equals(one.to()))
                    .isPresent();
            if (!isAsItWasLeft || isSensorElsewhere(one, at)) {
                faults.add(new MoveFault(i, "This tyre or its sensor was moved again since. Undo that first."));
            } else if (isTakenSince(one.from(), made, at)) {
                faults.add(new MoveFault(i, "Another tyre or sensor came to its wheel since. Move that first."));
            }
        }
        return faults;
    }

    private boolean isTakenSince(TyrePlace from, List<Made> made, long at) {
        Set<Long> ownTyres = new HashSet<>();
        Set<Long> ownSensors = new HashSet<>();
        made.forEach(one -> {
            ownTyres.add(one.tyre());
            ownSensors.add(one.sensor());
        });
        boolean isByTyre = from.asWheel().isPresent()
                && tyres.stays().stream()
                        .anyMatch(
                                stay -> stay.place().equals(from) && stay.to() > at && !ownTyres.contains(stay.tyre()));
        boolean isBySensor = sensors.fittings().stream()
                .anyMatch(fitting -> from.equals(TyrePlace.wheel(fitting.vehicle(), fitting.position()))
                        && fitting.to() > at
                        && !ownSensors.contains(fitting.sensor()));
        return isByTyre || isBySensor;
    }

    private boolean isSensorElsewhere(Made one, long at) {
        if (one.sensor() == null) {
            return false;
        }
        TyrePlace seat =
                one.fate() == SensorFate.STAYS ? one.from() : one.fate() == SensorFate.TRAVELS ? one.to() : null;
        List<Fitting> since = sensors.fittings().stream()
                .filter(fitting -> fitting.sensor() == one.sensor() && fitting.to() > at)
                .toList();
        if (seat instanceof TyrePlace.AtWheel wheel) {
            return since.size() != 1
                    || since.get(0).from() != at
                    || !since.get(0).isOpen()
                    || since.get(0).vehicle() != wheel.vehicle()
                    || !since.get(0).position().equals(wheel.position());
        }
        return !since.isEmpty();
    }

    /**
     * What it was before a move that was made at {@code at}, as if that had not been.
     *
     * @throws IllegalArgumentException if it cannot be undone
     */
    public TyrePlacing undone(List<Made> made, long at) {
        List<MoveFault> faults = faultsOfUndoing(made, at);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException("cannot be undone: " + faults);
        }
        TyreTimeline nextTyres = tyres;
        FittingTimeline nextSensors = sensors;
        List<Made> elsewhere = made.stream().filter(one -> !one.isOffAndOn()).toList();
        for (Made one : elsewhere) {
            nextTyres = nextTyres.lifted(one.tyre(), at);
            if (one.sensor() != null) {
                nextSensors = nextSensors.remove(one.sensor(), at);
            }
        }
        for (Made one : elsewhere) {
            boolean wasInside = one.from().asWheel().isEmpty();
            nextTyres = nextTyres.put(one.tyre(), one.from(), wasInside ? one.sensor() : null, at);
            if (one.sensor() != null && one.from() instanceof TyrePlace.AtWheel wheel) {
                nextSensors = nextSensors.fit(one.sensor(), wheel.vehicle(), wheel.position(), at);
            }
        }
        return new TyrePlacing(nextTyres.rejoined(at), nextSensors.rejoined(at));
    }
}
