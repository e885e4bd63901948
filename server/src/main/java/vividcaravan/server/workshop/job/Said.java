package vividcaravan.server.workshop.job;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.server.logbook.Deed;

/**
 * What an entry says: one record for each kind, with what that kind has to say and no more. They are stored as they stand
 * here, so a name is kept for good. {@link EntryChecks} makes them of what was sent.
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
@JsonIgnoreProperties(ignoreUnknown = true)
sealed interface Said {

    /**
     * What was done, as the logbook says it after the author's name.
     *
     * @param where the wheel, or the vehicle
     * @param job the job
     */
    String words(String where, String job);

    /** The deed with this entry's figures. */
    default Deed in(Deed deed) {
        return deed;
    }

    /** Why, where a kind asks for it. */
    default @Nullable String reason() {
        return null;
    }

    /** A wheel was looked at; what is null was not written down. */
    record Inspected(
            @Nullable List<Double> treadMm,
            @Nullable String dateCode,
            TyreInspection.@Nullable Stem stem,
            @Nullable Boolean isValveReachable,
            @Nullable Boolean isRetread,
            @Nullable String damage,
            @Nullable String tyre)
            implements Said {

        /**
         * The same with what counts where nothing was written down.
         *
         * @throws IllegalArgumentException if it cannot be
         */
        TyreInspection inspection() {
            return new TyreInspection(
                    treadMm == null ? List.of() : treadMm,
                    dateCode,
                    stem == null ? TyreInspection.Stem.SOUND : stem,
                    isValveReachable == null || isValveReachable,
                    Boolean.TRUE.equals(isRetread),
                    damage,
                    tyre);
        }

        @Override
        public String words(String where, String job) {
            return "inspected the tyre at " + where;
        }

        @Override
        public Deed in(Deed deed) {
            return deed.with("Tread", "mm", null, treads())
                    .with("Date code", null, dateCode)
                    .with("Valve stem", null, stem == null ? null : stem.name().toLowerCase(Locale.ROOT))
                    .with("Valve can be reached", null, isValveReachable)
                    .with("Retread", null, isRetread)
                    .with("Damage", null, damage)
                    .with("Tyre", null, tyre);
        }

        private @Nullable String treads() {
            return treadMm == null
                    ? null
                    : treadMm.stream().map(Object::toString).collect(Collectors.joining(", "));
        }
    }

    /** A wheel that failed its inspection is fitted all the same. */
    record PassedAnyway(String reason) implements Said {
        @Override
        public String words(String where, String job) {
            return "let the tyre at " + where + " pass, though it failed";
        }
    }

    /** The sensor was mounted by the procedure; the temperature at the place of work in °C, the steps from 0. */
    record Mounted(@Nullable MountKind mount, @Nullable Double ambientC, @Nullable List<Integer> stepsDone)
            implements Said {

        @Override
        public String words(String where, String job) {
            return "mounted the sensor at " + where;
        }

        @Override
        public Deed in(Deed deed) {
            return deed.with("Temperature at work", "\u00b0C", null, ambientC)
                    .with("Steps done", null, stepsDone == null ? null : stepsDone.size());
        }
    }

    /** A sensor was taken for a wheel. */
    record Paired(String code, @Nullable MountKind mount) implements Said {
        @Override
        public String words(String where, String job) {
            return "took sensor " + code + " for " + where;
        }
    }

    /** A wheel gets no sensor. */
    record LeftOut(String reason) implements Said {
        @Override
        public String words(String where, String job) {
            return "left " + where + " without a sensor";
        }
    }

    /** The hand gauge was read, kPa. */
    record Gauged(double gaugeKpa) implements Said {
        @Override
        public String words(String where, String job) {
            return "read the hand gauge at " + where;
        }

        @Override
        public Deed in(Deed deed) {
            return deed.with("Hand gauge", "kPa", null, gaugeKpa);
        }
    }

    /** Air is let in or out from now on; {@code before} are the pressures at 20 °C until then, kPa, by wheel. */
    record AirSet(@Nullable Map<String, Double> before) implements Said {
        @Override
        public String words(String where, String job) {
            return "set air on at " + where;
        }
    }

    /** Air let in at this wheel was seen at this wheel. */
    record Proved() implements Said {
        @Override
        public String words(String where, String job) {
            return "proved which wheel the sensor at " + where + " sits at";
        }
    }

    /** Two wheels had each other's sensors; they were exchanged. */
    record Exchanged(Position other) implements Said {
        @Override
        public String words(String where, String job) {
            return "exchanged the sensors of " + where + " and " + other.code();
        }
    }

    /** A wheel counts as proven without the proof. */
    record TakenAsProven(String reason) implements Said {
        @Override
        public String words(String where, String job) {
            return "took " + where + " as proven without the proof";
        }
    }

    /** Which hand gauge is used, and when it was calibrated. */
    record GaugeNamed(String gaugeName, @Nullable LocalDate calibratedOn) implements Said {
        @Override
        public String words(String where, String job) {
            return "named the hand gauge for " + job;
        }

        @Override
        public Deed in(Deed deed) {
            return deed.with("Gauge", null, gaugeName).with("Calibrated on", null, calibratedOn);
        }
    }

    /** A note. */
    record Noted(String reason) implements Said {
        @Override
        public String words(String where, String job) {
            return "wrote a note on " + job;
        }
    }

    /** The job was ended. */
    record Closed(@Nullable String reason) implements Said {
        @Override
        public String words(String where, String job) {
            return "ended " + job;
        }
    }
}
