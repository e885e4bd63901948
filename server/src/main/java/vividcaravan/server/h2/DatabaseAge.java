package vividcaravan.server.h2;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import vividcaravan.server.platform.StartRefused;

/**
 * How far the database had come when it was last in use, kept in a small file beside it. H2 opens a file of which a part is
 * gone as it was before that part was written, which may be empty: a product that starts so and says nothing has lost a
 * fleet. Every stored change makes the version of H2's file greater.
 */
final class DatabaseAge {

    private static final Logger LOG = LoggerFactory.getLogger(DatabaseAge.class);

    /** H2 counts a change that begins before it counts one that is stored. */
    private static final int SLACK = 2;

    private DatabaseAge() {}

    /** The file that says how far {@code database} had come. */
    static Path noteBeside(Path database) {
        return database.resolveSibling(database.getFileName() + ".version");
    }

    /** Notes that {@code database} came as far as {@code version}; to be called once all up to there is on disk. */
    static void note(long version, Path database) {
        if (!Files.isRegularFile(database)) {
            return;
        }
        try {
            Path fresh = database.resolveSibling(database.getFileName() + ".version.new");
            Files.writeString(fresh, Long.toString(version));
            Files.move(
                    fresh, noteBeside(database), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            LOG.debug("The version of the database could not be noted", e);
        }
    }

    /**
     * Looks before anything is written.
     *
     * @throws StartRefused if the database is older than it was
     */
    static void refuseOlder(Path database) {
        long noted = noted(database);
        if (noted < 0 || !Files.isRegularFile(database)) {
            return;
        }
        long found;
        try (MVStore store =
                new MVStore.Builder().fileName(database.toString()).readOnly().open()) {
            found = store.getCurrentVersion();
        } catch (MVStoreException e) {
            // Locked or wholly damaged: whoever opens it next says so.
            return;
        }
        if (found < noted - SLACK) {
            throw new StartRefused(
                    "The database " + database + " is damaged: it holds less than when it was last in use (change "
                            + found + " instead of " + noted + ").",
                    "Bring back the newest backup: bin/vivid-caravan --restore FILE, with VIVID_DATA_DIR"
                            + " naming this folder. If you put an older file there yourself, take away "
                            + noteBeside(database).getFileName() + " and start again.");
        }
    }

    private static long noted(Path database) {
        try {
            return Long.parseLong(Files.readString(noteBeside(database)).strip());
        } catch (IOException | NumberFormatException e) {
            return -1;
        }
    }
}
