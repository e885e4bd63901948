package vividcaravan.server.operation;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/**
 * Writes into the logbook that a backup was brought back: the command that did so could not, since the book came with the
 * backup. It leaves a file with the backup's name, which the next start takes up.
 */
@Component
class Restored implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Restored.class);
    private static final String NOTE = "vivid-caravan.restored";

    private final SingleWriter writer;
    private final Path folder;
    private volatile boolean isRunning;

    Restored(SingleWriter writer, VividProperties properties) {
        this.writer = writer;
        this.folder = properties.dataDir();
    }

    /** Leaves word that {@code backup} was put into {@code folder}. */
    static void note(Path folder, Path backup) throws IOException {
        Files.writeString(folder.resolve(NOTE), backup.getFileName().toString());
    }

    @Override
    public void start() {
        isRunning = true;
        Path note = folder.resolve(NOTE);
        try {
            if (Files.isRegularFile(note)) {
                String backup = Files.readString(note);
                writer.make(
                        Author.SCHEDULE,
                        view -> Decision.make(pen -> Done.by(Deed.of(
                                DeedKind.RESTORED,
                                new Thing(Thing.Kind.BACKUP, backup, backup),
                                "was brought back from backup " + backup
                                        + "; what was done after that was made is not in this book"))));
                Files.delete(note);
            }
        } catch (IOException e) {
            LOG.warn("The note about a restored backup could not be read", e);
        }
    }

    @Override
    public void stop() {
        isRunning = false;
    }

    @Override
    public boolean isRunning() {
        return isRunning;
    }

    @Override
    public int getPhase() {
        return Followers.PHASE - 40;
    }
}
