package vividcaravan.server.platform;

import io.micrometer.core.instrument.MeterRegistry;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.SchedulingConfigurer;
import org.springframework.scheduling.config.FixedDelayTask;
import org.springframework.scheduling.config.ScheduledTaskRegistrar;
import org.springframework.stereotype.Component;

/**
 * The one place where anything is done by the clock. Each tick stands by itself: one that fails is counted, said in the log
 * and done again, and keeps no other from being done.
 */
@Component
class Ticks implements SchedulingConfigurer {

    private static final Logger LOG = LoggerFactory.getLogger(Ticks.class);

    private final List<Ticking> parts;
    private final MeterRegistry meters;

    Ticks(List<Ticking> parts, MeterRegistry meters) {
        this.parts = parts;
        this.meters = meters;
    }

    @Override
    public void configureTasks(ScheduledTaskRegistrar registrar) {
        for (Ticking part : parts) {
            for (Ticking.Tick tick : part.ticks()) {
                registrar.addFixedDelayTask(new FixedDelayTask(() -> run(tick), tick.pause(), tick.first()));
            }
        }
    }

    void run(Ticking.Tick tick) {
        try {
            tick.work().run();
        } catch (RuntimeException e) {
            meters.counter("vivid.ticks.failed", "tick", tick.name()).increment();
            LOG.warn("What is done by the clock failed: {}. It is done again in {}.", tick.name(), tick.pause(), e);
        }
    }
}
