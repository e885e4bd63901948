package vividcaravan.server.operation;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Progress;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Storage;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Copies of the database made while it is in use, each a zip file that {@link Restore} takes. */
@Component
class Backups {

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern(
                    "'vivid-caravan-'uuuuMMdd-HHmmss'.zip'", Locale.ROOT)
            .withZone(ZoneOffset.UTC);
    private static final String PATTERN = "vivid-caravan-\\d{8}-\\d{6}\\.zip";

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Storage storage;
    private final Path folder;
    private final Clock clock;
    private final Progress progress;
    private final AtomicBoolean isRunning = new AtomicBoolean();

    Backups(
            SessionFactory sessions,
            SingleWriter writer,
            Storage storage,
            VividProperties properties,
            Clock clock,
            Progress progress) {
        this.progress = progress;
        this.storage = storage;
        this.sessions = sessions;
        this.writer = writer;
        this.folder = properties.backupDir().toAbsolutePath().normalize();
        this.clock = clock;
    }

    /**
     * A backup that was made.
     *
     * @param bytes its size
     */
    record Backup(String name, Instant madeAt, long bytes) {}

    /**
     * Makes one now; readings go on being taken meanwhile.
     *
     * @throws Refusal if one is being made already, or it cannot be written
     */
    Backup make() {
        if (!isRunning.compareAndSet(false, true)) {
            throw Refusal.conflict("A backup is being made already. Wait until it is done.");
        }
        Path partial = folder.resolve("in-the-making.zip");
        // It gets about as large as the last one.
        Long expected = all().stream().findFirst().map(Backup::bytes).orElse(null);
        try {
            Files.createDirectories(folder);
            progress.during(
                    "the backup", Progress.Unit.BYTES, () -> partial.toFile().length(), expected, () -> copy(partial));
            Path done = folder.resolve(NAME.format(clock.instant()));
            Files.move(partial, done, StandardCopyOption.REPLACE_EXISTING);
            LOG.info("Backup {} made, {} MB", done, Files.size(done) >> 20);
            Backup backup = describe(done);
            writeDown(backup);
            return backup;
        } catch (IOException | org.hibernate.HibernateException e) {
            LOG.error("The backup could not be made", e);
            throw Refusal.busy("The backup could not be written to " + folder + ". Look at its room and its rights.");
        } finally {
            isRunning.set(false);
        }
    }

    private Path copy(Path to) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            storage.backUp(session, to);
            return to;
        }
    }

    /** The copy is there whether or not that can be written down just now. */
    private void writeDown(Backup backup) {
        try {
            writer.make(view -> Decision.make(pen -> Done.by(Deed.of(
                            DeedKind.BACKUP_MADE,
                            new Thing(Thing.Kind.BACKUP, backup.name(), backup.name()),
                            "made backup " + backup.name())
                    .with("Size", "MB", null, backup.bytes() / 1e6))));
        } catch (RuntimeException e) {
            LOG.warn("Backup {} could not be written into the logbook", backup.name(), e);
        }
    }

    /** Those that were made, the newest first. */
    List<Backup> all() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().matches(PATTERN))
                    .map(Backups::describe)
                    .sorted(Comparator.comparing(Backup::name).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * How the logbook in a backup stands.
     *
     * @param isPartOfThis whether its newest entry is in the live book too, with the same hash
     */
    record Standing(LogbookProof proof, boolean isPartOfThis) {}

    /**
     * Checks the logbook in a backup, and holds it against the live one.
     *
     * @throws Refusal if there is no such backup, or no logbook in it
     */
    Standing standing(String name) {
        Path file = file(name).orElseThrow(() -> Refusal.notFound("There is no backup \"" + name + "\"."));
        try {
            LogbookProof proof = new BookOfCopy(storage).proof(file);
            try (StatelessSession session = sessions.openStatelessSession()) {
                boolean isPart = session.doReturningWork(connection -> LogbookProof.hashOf(connection, proof.newest())
                        .filter(hash -> hash.equals(proof.hash()))
                        .isPresent());
                return new Standing(proof, isPart);
            }
        } catch (IOException e) {
            throw Refusal.conflict("The logbook in it cannot be read: " + e.getMessage());
        }
    }

    /** The file of a backup; empty if there is none of this name. */
    Optional<Path> file(String name) {
        return name.matches(PATTERN)
                ? Optional.of(folder.resolve(name)).filter(Files::isRegularFile)
                : Optional.empty();
    }

    private static Backup describe(Path file) {
        try {
            String name = file.getFileName().toString();
            return new Backup(name, Instant.from(NAME.parse(name)), Files.size(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
