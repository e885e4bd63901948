package vividcaravan.server.operation;

import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;
import vividcaravan.server.writer.SingleWriter;

/** Down while readings cannot be written. */
@Component
class WriterHealth implements HealthIndicator {

    private final SingleWriter writer;

    WriterHealth(SingleWriter writer) {
        this.writer = writer;
    }

    @Override
    public Health health() {
        return writer.isRunning() && !writer.isBroken()
                ? Health.up().build()
                : Health.down().build();
    }
}
