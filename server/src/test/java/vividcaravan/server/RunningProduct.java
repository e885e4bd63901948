package vividcaravan.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import vividcaravan.server.ingest.JudgingAgain;

/**
 * Starts the real application on a free port and an empty folder, once for all tests that ask for it, and hands out a
 * {@link Door} to it. (Spring's own extension does not run on JUnit 5 with this version of Boot.)
 */
public final class RunningProduct implements BeforeAllCallback {

    public static final String TOKEN = "token-of-the-tests-only";

    /** How far the product's clock is ahead of the machine's. */
    private static final AtomicReference<Duration> AHEAD = new AtomicReference<>(Duration.ZERO);

    private static ConfigurableApplicationContext context;
    private static int port;

    @Override
    public void beforeAll(ExtensionContext extension) throws IOException {
        start();
    }

    private static synchronized void start() throws IOException {
        if (context != null) {
            return;
        }
        Path folder = Files.createTempDirectory("vivid-caravan-test");
        MigratedDatabase.putInto(folder);
        context = new SpringApplicationBuilder(VividCaravanApplication.class)
                .main(VividCaravanApplication.class)
                .initializers((GenericApplicationContext own) ->
                        own.registerBean("testClock", Clock.class, LaterClock::new, bean -> bean.setPrimary(true)))
                .run(
                        "--server.port=0",
                        "--vivid.data-dir=" + folder,
                        "--vivid.api-token=" + TOKEN,
                        "--vivid.texts.allow-inside=true",
                        "--spring.main.allow-bean-definition-overriding=true",
                        "--logging.level.root=error",
                        "--logging.level.vividcaravan=error");
        port = ((WebServerApplicationContext) context).getWebServer().getPort();
        Runtime.getRuntime().addShutdownHook(new Thread(() -> deleteAll(folder)));
    }

    private static void deleteAll(Path folder) {
        context.close();
        try (var files = Files.walk(folder)) {
            files.sorted(java.util.Comparator.reverseOrder())
                    .forEach(path -> path.toFile().delete());
        } catch (IOException e) {
            // A folder left behind in the temporary directory harms nobody.
        }
    }

    /** Lets its clock go on, which else goes as every clock does; for moments, since all tests share it. */
    public static void pass(Duration time) {
        AHEAD.updateAndGet(so -> so.plus(time));
    }

    public static Instant now() {
        return new LaterClock().instant();
    }

    private static final class LaterClock extends Clock {
        @Override
        public Instant instant() {
            return Instant.now().plus(AHEAD.get());
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

    /** A part of the running product, for what cannot be seen from outside. */
    public static <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    /** The product's HTTP door, with a manager's token. */
    public static Door door() {
        try {
            start();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return new Door("http://localhost:" + port, TOKEN, null, () -> settle(context));
    }

    /** Waits until nothing is owed a run any more. */
    static void settle(ConfigurableApplicationContext product) {
        JudgingAgain judging = product.getBean(JudgingAgain.class);
        Patience.until("its past is judged again", judging::isIdle);
    }
}
