package vividcaravan.server.platform;

import java.time.Duration;
import java.util.List;

/** A part of the product that has something to do by the clock, whoever asks or not. */
public interface Ticking {

    /** What it has to do, and how often. */
    List<Tick> ticks();

    /**
     * Something done again and again.
     *
     * @param name what it does, for the log and the figures: small letters and hyphens
     * @param first how long after the start it is done first
     * @param pause how long after it was done it is done again
     * @param work what it does; may fail, and is done again after the pause all the same
     */
    record Tick(String name, Duration first, Duration pause, Runnable work) {}
}
