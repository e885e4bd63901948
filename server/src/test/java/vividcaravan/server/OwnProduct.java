package vividcaravan.server;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import vividcaravan.server.platform.Ticking;

/** The real application on a folder and a clock of the test's own, which can be stopped and started again. */
public final class OwnProduct implements AutoCloseable {

    private final Path folder;
    private final List<String> settings;
    private final AtomicReference<Instant> now;
    private ConfigurableApplicationContext context;
    private int tests;
    private OwnNames names;

    private OwnProduct(Path folder, Instant now, List<String> settings) {
        this.folder = folder;
        this.now = new AtomicReference<>(now);
        this.settings = settings;
        start();
    }

    /** Starts it; its clock stands at {@code now} until it is moved. */
    public static OwnProduct in(Path folder, Instant now, String... settings) {
        return new OwnProduct(folder, now, List.of(settings));
    }

    private void start() {
        MigratedDatabase.putInto(folder);
        List<String> arguments = new ArrayList<>(List.of(
                "--server.port=0",
                "--vivid.data-dir=" + folder,
                "--vivid.texts.allow-inside=true",
                "--vivid.api-token=" + RunningProduct.TOKEN,
                "--spring.main.allow-bean-definition-overriding=true",
                "--logging.level.root=error",
                "--logging.level.vividcaravan=error"));
        arguments.addAll(settings);
        context = new SpringApplicationBuilder(VividCaravanApplication.class)
                .main(VividCaravanApplication.class)
                .initializers((GenericApplicationContext own) ->
                        own.registerBean("testClock", Clock.class, MovedClock::new, bean -> bean.setPrimary(true)))
                .run(arguments.toArray(String[]::new));
    }

    /** Stops it in good order and starts it again on the same folder. */
    public void restart() {
        context.close();
        start();
    }

    /**
     * For the next test of those that share it: the doors that it hands out from now on give what the test names, in whichever
     * words, a name that no other test of them uses. Its clock stays where the test before left it.
     */
    public void beginTest() {
        names = new OwnNames(++tests);
    }

    /** Lets its clock go on. */
    public void pass(Duration time) {
        now.updateAndGet(instant -> instant.plus(time));
    }

    /** Does at once what it does by the clock, for a test that need not wait until it is due. */
    public void tick(String name) {
        context.getBeansOfType(Ticking.class).values().stream()
                .flatMap(part -> part.ticks().stream())
                .filter(tick -> tick.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("nothing ticks by the name of " + name))
                .work()
                .run();
    }

    /** What the product calls {@code name} of this test, for doors that do not translate. */
    public String ownName(String name) {
        return names.out(name);
    }

    public Instant now() {
        return now.get();
    }

    /** Its HTTP door, with a manager's token. */
    public Door door() {
        int port = ((WebServerApplicationContext) context).getWebServer().getPort();
        return new Door("http://localhost:" + port, RunningProduct.TOKEN, names, () -> RunningProduct.settle(context));
    }

    /** A part of it, for what cannot be seen from outside. */
    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() {
        context.close();
    }

    private final class MovedClock extends Clock {
        @Override
        public Instant instant() {
            return now.get();
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }
}
