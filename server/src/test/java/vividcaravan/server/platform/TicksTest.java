package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import io.micrometer.core.instrument.simple.SimpleMeterRegistry;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.scheduling.config.ScheduledTaskRegistrar;
import vividcaravan.server.platform.Ticking.Tick;

class TicksTest {

    private final SimpleMeterRegistry meters = new SimpleMeterRegistry();

    private static Tick every(String name, Duration pause, Runnable work) {
        return new Tick(name, Duration.ZERO, pause, work);
    }

    @Test
    void oneThatFailsIsDoneAgainAndKeepsNoOtherFromBeingDone() {
        AtomicInteger failed = new AtomicInteger();
        AtomicInteger done = new AtomicInteger();
        Ticking failing = () -> List.of(every("fail", Duration.ofMillis(1), () -> {
            failed.incrementAndGet();
            throw new IllegalStateException("it failed, as it should here");
        }));
        Ticking well = () -> List.of(every("well", Duration.ofMillis(1), done::incrementAndGet));
        ScheduledTaskRegistrar registrar = new ScheduledTaskRegistrar();
        new Ticks(List.of(failing, well), meters).configureTasks(registrar);
        registrar.afterPropertiesSet();
        try {
            await().until(() -> failed.get() >= 3 && done.get() >= 3);
        } finally {
            registrar.destroy();
        }

        assertThat(meters.counter("vivid.ticks.failed", "tick", "fail").count()).isGreaterThanOrEqualTo(2);
        assertThat(meters.find("vivid.ticks.failed").tag("tick", "well").counter())
                .isNull();
    }

    @Test
    void eachBeginsAndPausesAsItSays() {
        ScheduledTaskRegistrar registrar = new ScheduledTaskRegistrar();
        Ticking part = () -> List.of(new Tick("late", Duration.ofMinutes(5), Duration.ofSeconds(20), () -> {}));
        new Ticks(List.of(part), meters).configureTasks(registrar);

        assertThat(registrar.getFixedDelayTaskList()).singleElement().satisfies(task -> {
            assertThat(task.getInitialDelayDuration()).isEqualTo(Duration.ofMinutes(5));
            assertThat(task.getIntervalDuration()).isEqualTo(Duration.ofSeconds(20));
        });
    }
}
