package vividcaravan.server.platform;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Ends the process where going on would only look like going on: a thread that everybody waits for has died, most likely
 * for want of memory. What was answered is on disk, so that whoever starts it again loses nothing.
 */
public final class LastWords {

    private static final Logger LOG = LoggerFactory.getLogger(LastWords.class);
    /** The same as of a JVM started with {@code -XX:+ExitOnOutOfMemoryError}. */
    static final int STATUS = 3;

    private LastWords() {}

    /** Says so and ends the process at once: orderly ways out need memory and threads that may be gone. */
    public static void end(Throwable why) {
        try {
            System.err.println(
                    "Vivid Caravan ends: " + why + ". Start it again; whatever was answered is kept. If memory"
                            + " ran out, give it more with -Xmx.");
            LOG.error("The process ends", why);
        } finally {
            Runtime.getRuntime().halt(STATUS);
        }
    }

    /** Lets any thread that dies for want of memory end the process, instead of leaving it alive and deaf. */
    public static void whenAThreadDies() {
        Thread.setDefaultUncaughtExceptionHandler((thread, thrown) -> {
            if (thrown instanceof VirtualMachineError) {
                end(thrown);
            }
            LOG.error("The thread {} ended", thread.getName(), thrown);
        });
    }
}
