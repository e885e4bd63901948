package vividcaravan.server.workshop.job;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.server.platform.AtMost;

/**
 * What an entry says as it is sent, whatever its kind: {@link EntryChecks} makes a {@link Said} of the parts that the kind needs.
 *
 * @param treadMm tread depths, mm
 * @param dateCode week and year from the sidewall
 * @param stem how the valve stem looks
 * @param isValveReachable whether the valve can be reached
 * @param isRetread whether the tyre was retreaded
 * @param damage what else is wrong with the wheel
 * @param tyre make, type and size as far as they were written down
 * @param mount how the sensor is held
 * @param ambientC temperature at the place of work, °C
 * @param stepsDone numbers of the steps of the procedure that were done, from 0
 * @param code the sensor's code
 * @param other the other wheel of an exchange
 * @param gaugeKpa what the hand gauge shows, kPa
 * @param gaugeName which gauge
 * @param calibratedOn when it was calibrated
 * @param before pressures at 20 °C when air was set on, kPa, by wheel; what is sent of them is not believed
 * @param reason why
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record EntryData(
        @AtMost(12) @Nullable List<Double> treadMm,
        @AtMost(20) @Nullable String dateCode,
        TyreInspection.@Nullable Stem stem,
        @Nullable Boolean isValveReachable,
        @Nullable Boolean isRetread,
        @Nullable String damage,
        @Nullable String tyre,
        @Nullable MountKind mount,
        @Nullable Double ambientC,
        @AtMost(40) @Nullable List<Integer> stepsDone,
        @AtMost(40) @Nullable String code,
        @AtMost(10) @Nullable String other,
        @Nullable Double gaugeKpa,
        @AtMost(200) @Nullable String gaugeName,
        @Nullable LocalDate calibratedOn,
        @AtMost(100) @Nullable Map<String, Double> before,
        @Nullable String reason) {

    static final EntryData NONE = new EntryData(
            null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null, null);
}
