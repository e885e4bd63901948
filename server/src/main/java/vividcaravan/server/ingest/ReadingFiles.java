package vividcaravan.server.ingest;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.server.columns.ColumnMemory;
import vividcaravan.server.ingest.ReadingFileRow.State;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Files of readings that were sent, kept on disk until {@link ReadingFileWorker} has taken them in. */
@Component
class ReadingFiles {

    static final long LARGEST = 2L * 1024 * 1024 * 1024;
    /** Room that has to stay free, bytes. */
    private static final long SPARE = 512L * 1024 * 1024;

    private static final int MOST_OPEN = 20;

    private final Path folder;
    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final ColumnMemory memory;
    private final ReadingFileOpening opening;
    private final ReadingFileWorker worker;
    private final Clock clock;

    ReadingFiles(
            VividProperties properties,
            SessionFactory sessions,
            SingleWriter writer,
            ColumnMemory memory,
            ReadingFileOpening opening,
            ReadingFileWorker worker,
            Clock clock) {
        this.folder = folder(properties);
        this.sessions = sessions;
        this.writer = writer;
        this.memory = memory;
        this.opening = opening;
        this.worker = worker;
        this.clock = clock;
    }

    /**
     * Keeps a file and has it taken in.
     *
     * @return its identity
     * @throws Refusal if it cannot be
     */
    long take(String name, InputStream body, @Nullable String said, SheetRows.Units units, String who)
            throws IOException {
        if (list().stream().filter(row -> row.state.isOpen()).count() >= MOST_OPEN) {
            throw Refusal.conflict(MOST_OPEN + " files wait already. Send this one when some of them are done.");
        }
        Files.createDirectories(folder);
        Path part = Files.createTempFile(folder, "coming-", ".part");
        try {
            copy(body, part);
            ReadingFileOpening.Opened opened;
            try (InputStream in = Files.newInputStream(part)) {
                opened = opening.open(in, said, units);
                if (opened.columns() != null) {
                    opened.columns().refuseIfMissing();
                }
            }
            return keep(name, part, opened, units, who);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private void copy(InputStream body, Path part) throws IOException {
        try (InputStream in = BodyStreams.bounded(body, LARGEST);
                var out = Files.newOutputStream(part)) {
            byte[] bytes = new byte[256 * 1024];
            long untilLook = 0;
            for (int read = in.read(bytes); read >= 0; read = in.read(bytes)) {
                out.write(bytes, 0, read);
                untilLook -= read;
                if (untilLook <= 0) {
                    untilLook = 64L * 1024 * 1024;
                    if (Files.getFileStore(folder).getUsableSpace() < SPARE) {
                        throw Refusal.busy("There is no room on the disk for this file. Nothing was stored.");
                    }
                }
            }
        } catch (BodyStreams.TooLarge e) {
            throw Refusal.tooLarge("A file of readings may have 2 GB. Pack it (gzip), or send it in parts.");
        }
    }

    private long keep(String name, Path part, ReadingFileOpening.Opened opened, SheetRows.Units units, String who)
            throws IOException {
        ReadingFileRow row = new ReadingFileRow();
        row.name = name;
        row.format = opened.format();
        row.units = units.text();
        row.bytes = Files.size(part);
        row.state = State.WAITING;
        row.begunAt = clock.instant();
        row.who = who;
        writer.make(view -> Decision.make(pen -> {
            if (opened.columns() != null) {
                row.mapping = memory.text(opened.columns());
                memory.remember(pen, "READINGS", opened.columns());
            }
            pen.session().insert(row);
            move(part, row.id);
            return Done.by(
                    Deed.of(DeedKind.READINGS_FILE_SENT, thing(row), "has the readings of " + name + " taken in"));
        }));
        worker.ring();
        return row.id;
    }

    private void move(Path part, long id) {
        try {
            Files.move(part, file(folder, id));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Thing thing(ReadingFileRow row) {
        return new Thing(Thing.Kind.IMPORT, Long.toString(row.id), "file " + row.name);
    }

    /** Where they are kept. */
    static Path folder(VividProperties properties) {
        return properties.dataDir().resolve("reading-files");
    }

    /** The file of this identity. */
    static Path file(Path folder, long id) {
        return folder.resolve(id + ".readings");
    }

    /** The files of late, the newest first. */
    List<ReadingFileRow> list() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createSelectionQuery("from ReadingFileRow order by id desc", ReadingFileRow.class)
                    .setMaxResults(50)
                    .getResultList();
        }
    }

    /** The file of this identity. */
    ReadingFileRow existing(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            ReadingFileRow row = session.get(ReadingFileRow.class, id);
            if (row == null) {
                throw Refusal.notFound("There is no such file.");
            }
            return row;
        }
    }

    /**
     * Takes in no more of a file; what is stored stays.
     *
     * @throws Refusal if it has ended already
     */
    void cancel(long id) {
        existing(id);
        writer.make(view -> {
            ReadingFileRow known = view.get(ReadingFileRow.class, id);
            if (!known.state.isOpen()) {
                throw Refusal.conflict("This file has ended already.");
            }
            return Decision.make(pen -> {
                ReadingFileRow row = pen.session().get(ReadingFileRow.class, id);
                row.state = State.CANCELLED;
                row.endedAt = clock.instant();
                pen.session().update(row);
                return Done.by(Deed.of(
                        DeedKind.READINGS_FILE_STOPPED, thing(row), "stopped taking in the readings of " + row.name));
            });
        });
        worker.leave(id);
    }
}
