package vividcaravan.server.moves;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.tyres.SensorFate;

/**
 * What a move would come to.
 *
 * @param canBeMade whether nothing is refused
 * @param steps what is to be said of each tyre, in the order in which they were asked for
 * @param wheels what each wheel that is touched will have and report
 * @param axles what is to be said of tyres that will share an axle
 * @param odometers what was read of vehicles at other moves and cannot be true together with what is told now
 */
record MovePreview(
        Instant at,
        boolean canBeMade,
        List<StepPreview> steps,
        List<WheelAfter> wheels,
        List<MoveWord> axles,
        List<OdometerRead> odometers) {

    /** How far a vehicle had run at another move, km. */
    record OdometerRead(String vehicle, Instant at, double km) {}

    /**
     * Something to be said.
     *
     * @param isRefusal whether the move cannot be made because of it
     */
    record MoveWord(boolean isRefusal, String words) {}

    /**
     * A tyre that is moved.
     *
     * @param from where it is, in words
     * @param to where it goes, in words
     * @param tyre what is known of it, in words; null where nothing is
     * @param sensor the code of the sensor in it or on it, or null
     * @param fate what becomes of that
     * @param fates what may become of it
     * @param targetKpa the target at its new wheel, kPa; null for a spare and off every vehicle
     * @param nowKpa what it has now at 20 °C on a gauge at its depot, kPa, or null where its sensor does not say
     * @param addKpa how much is to be added to reach the target, kPa; less than nothing is to be let out, of a cold tyre
     */
    record StepPreview(
            String from,
            String to,
            @Nullable String tyre,
            @Nullable String sensor,
            SensorFate fate,
            List<SensorFate> fates,
            @Nullable Double targetKpa,
            @Nullable Double nowKpa,
            @Nullable Double addKpa,
            List<MoveWord> said) {}

    /**
     * A wheel after the move.
     *
     * @param tyre what is known of its tyre; null where nothing is
     * @param hasTyre whether it will have one
     * @param sensor the code of the sensor that reports for it, or null
     */
    record WheelAfter(
            String vehicle, String position, boolean hasTyre, @Nullable String tyre, @Nullable String sensor) {}
}
