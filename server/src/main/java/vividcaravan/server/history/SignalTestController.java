package vividcaravan.server.history;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.core.coupling.SignalTest;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;

/** How much of what each wheel says is heard where the vehicles really are, the whole combination together. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/signal-test")
@Tag(name = "vehicles")
class SignalTestController {

    private static final int USUAL_HOURS = 24;
    private static final int MOST_HOURS = 72;
    /** A sensor that speaks every few seconds for days is known well enough by then. */
    private static final int MOST_READINGS = 20_000;

    private final VisibleFleet visible;
    private final FleetDirectory fleet;
    private final WheelHistory history;
    private final Clock clock;

    SignalTestController(VisibleFleet visible, FleetDirectory fleet, WheelHistory history, Clock clock) {
        this.visible = visible;
        this.fleet = fleet;
        this.history = history;
        this.clock = clock;
    }

    /**
     * What is heard of a wheel.
     *
     * @param expected how many messages it must have sent while any was awake; 0 where too little is known
     * @param share of those that were heard, 0 to 1; null where too little is known
     * @param rssiDbm middle strength of its signal, dBm; null where nobody says
     */
    record SignalOfWheel(
            String vehicle,
            String position,
            int heard,
            int expected,
            @Nullable Double share,
            @Nullable Integer rssiDbm,
            SignalTest.Advice advice) {}

    /**
     * @param awakeMinutes how long the vehicles were awake within that time
     */
    record SignalTestItem(int hours, long awakeMinutes, List<SignalOfWheel> items) {}

    private record Heard(FleetVehicle vehicle, Position position, long[] times, @Nullable Integer rssiDbm) {}

    @GetMapping
    @Operation(
            operationId = "testSignal",
            summary = "How much of what each wheel says is heard, of the whole combination as it stands")
    SignalTestItem test(@PathVariable String ref, @RequestParam(required = false) @Nullable String hours) {
        FleetVehicle asked = visible.existing(ref);
        int most = QueryParameters.number("hours", hours, USUAL_HOURS, MOST_HOURS);
        long to = clock.millis();
        List<Heard> all = new ArrayList<>();
        for (FleetVehicle vehicle : fleet.combination(asked, to)) {
            vehicle.sensors().keySet().stream()
                    .filter(position -> !position.isSpare())
                    .sorted((a, b) -> a.code().compareTo(b.code()))
                    .forEach(position -> all.add(
                            heard(vehicle, position, to - Duration.ofHours(most).toMillis(), to)));
        }
        List<long[]> times = all.stream().map(Heard::times).toList();
        List<SignalTest.Wheel> tested = SignalTest.of(times);
        List<SignalOfWheel> items = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            SignalTest.Wheel wheel = tested.get(i);
            items.add(new SignalOfWheel(
                    all.get(i).vehicle().description().ref(),
                    all.get(i).position().code(),
                    wheel.heard(),
                    wheel.expected(),
                    Double.isNaN(wheel.share()) ? null : Math.round(wheel.share() * 100) / 100.0,
                    all.get(i).rssiDbm(),
                    wheel.advice()));
        }
        return new SignalTestItem(most, SignalTest.awakeMinutes(times), items);
    }

    private Heard heard(FleetVehicle vehicle, Position position, long from, long to) {
        LongStream.Builder times = LongStream.builder();
        List<Integer> strengths = new ArrayList<>();
        int[] count = {0};
        history.each(
                vehicle,
                position,
                from,
                to,
                (sensor, reading) -> {
                    times.add(reading.at());
                    count[0]++;
                    if (reading.rssiDbm() != null) {
                        strengths.add(reading.rssiDbm());
                    }
                },
                () -> count[0] >= MOST_READINGS);
        int[] sorted = strengths.stream().mapToInt(Integer::intValue).sorted().toArray();
        long[] heard = times.build().sorted().toArray();
        return new Heard(
                vehicle, position, heard, sorted.length == 0 ? null : Integer.valueOf(sorted[sorted.length / 2]));
    }
}
