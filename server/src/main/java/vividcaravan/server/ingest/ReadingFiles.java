package vividcaravan.server.ingest;

import java.io.BufferedInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.zip.GZIPInputStream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import vividcaravan.server.columns.ColumnMemory;
import vividcaravan.server.columns.Columns;
import vividcaravan.server.columns.Sheet;
import vividcaravan.server.ingest.ReadingFileRow.Format;
import vividcaravan.server.ingest.ReadingFileRow.State;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/**
 * Files of readings, kept on disk and taken in one after the other while everything else goes on. How far one is stands in the
 * database, so after a restart it goes on from there; what was taken and not written down as taken is a duplicate, and counts
 * as one.
 */
@Component
class ReadingFiles implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(ReadingFiles.class);

    /** So many rows at once: few enough that what comes in live waits no longer than a moment. */
    static final int PORTION = 5_000;

    static final long LARGEST = 2L * 1024 * 1024 * 1024;
    /** Room that has to stay free, bytes. */
    private static final long SPARE = 512L * 1024 * 1024;

    private static final int MOST_OPEN = 20;
    private static final int MOST_FAULTS = 20;
    private static final int LONGEST_FAULTS = 7_500;
    private static final long LOOK_AGAIN_MILLIS = 60_000;

    private final Path folder;
    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Inlet inlet;
    private final ReadingParser parser;
    private final ColumnMemory memory;
    private final IngestFigures figures;
    private final Clock clock;
    private final Object bell = new Object();
    private volatile boolean isStopping;
    private volatile @Nullable Long unwanted;
    private volatile @Nullable Thread thread;

    ReadingFiles(
            VividProperties properties,
            SessionFactory sessions,
            SingleWriter writer,
            Inlet inlet,
            ReadingParser parser,
            ColumnMemory memory,
            IngestFigures figures,
            Clock clock) {
        this.folder = properties.dataDir().resolve("reading-files");
        this.sessions = sessions;
        this.writer = writer;
        this.inlet = inlet;
        this.parser = parser;
        this.memory = memory;
        this.figures = figures;
        this.clock = clock;
    }

    /** The bytes of a file as they are read, unpacked where they are packed, with a count of those that were taken. */
    private static final class Counted extends FilterInputStream {

        private long count;

        Counted(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int next = super.read();
            count += next < 0 ? 0 : 1;
            return next;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int read = super.read(bytes, offset, length);
            count += Math.max(read, 0);
            return read;
        }
    }

    private static InputStream unpacked(InputStream in) throws IOException {
        BufferedInputStream bytes = new BufferedInputStream(in);
        bytes.mark(2);
        boolean isPacked = bytes.read() == 0x1F && bytes.read() == 0x8B;
        bytes.reset();
        return new BufferedInputStream(isPacked ? new GZIPInputStream(bytes, 64 * 1024) : bytes);
    }

    /** Whether it is lines of JSON or a table. */
    private static Format format(InputStream in) throws IOException {
        in.mark(4_096);
        int next = in.read();
        for (int i = 0; i < 4_000 && next >= 0 && (Character.isWhitespace(next) || next > 0x7F); i++) {
            next = in.read();
        }
        in.reset();
        return next == '{' ? Format.LINES : Format.TABLE;
    }

    /** A file that was begun to be read. */
    record Opened(Format format, @Nullable Sheet sheet, @Nullable Columns columns, ReadingRows rows) {}

    /**
     * Begins to read.
     *
     * @param said which column is which, or null
     * @throws Refusal if it is nothing that can be read
     */
    Opened open(InputStream raw, @Nullable String said, SheetRows.Units units) {
        try {
            InputStream in = unpacked(raw);
            if (format(in) == Format.LINES) {
                return new Opened(Format.LINES, null, null, new JsonRows(ReadingsController.TOLERANT, parser, in));
            }
            Sheet sheet = Sheet.of(in);
            Columns columns = memory.of("READINGS", SheetRows.FIELDS, sheet.headings(), said);
            return new Opened(
                    Format.TABLE,
                    sheet,
                    columns,
                    new SheetRows(ReadingsController.TOLERANT, parser, sheet, columns, units));
        } catch (IOException e) {
            throw Refusal.badRequest("file", "The file breaks off or does not unpack. Nothing was stored.");
        }
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
            Opened opened;
            try (InputStream in = Files.newInputStream(part)) {
                opened = open(in, said, units);
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

    private long keep(String name, Path part, Opened opened, SheetRows.Units units, String who) throws IOException {
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
        ring();
        return row.id;
    }

    private void move(Path part, long id) {
        try {
            Files.move(part, file(id));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Thing thing(ReadingFileRow row) {
        return new Thing(Thing.Kind.IMPORT, Long.toString(row.id), "file " + row.name);
    }

    private Path file(long id) {
        return folder.resolve(id + ".readings");
    }

    private void ring() {
        synchronized (bell) {
            bell.notifyAll();
        }
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
        unwanted = id;
        ring();
    }

    private void run() {
        while (!isStopping) {
            try {
                ReadingFileRow next = next();
                if (next != null) {
                    takeIn(next);
                    continue;
                }
                synchronized (bell) {
                    bell.wait(LOOK_AGAIN_MILLIS);
                }
            } catch (InterruptedException e) {
                return;
            } catch (RuntimeException e) {
                if (!isStopping) {
                    LOG.error("A file of readings could not be taken in; it is tried again in a minute", e);
                    pause();
                }
            }
        }
    }

    private void pause() {
        try {
            synchronized (bell) {
                bell.wait(LOOK_AGAIN_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private @Nullable ReadingFileRow next() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            tidy(session);
            return session
                    .createSelectionQuery(
                            "from ReadingFileRow where state in (WAITING, RUNNING) order by id", ReadingFileRow.class)
                    .setMaxResults(1)
                    .getResultList()
                    .stream()
                    .findFirst()
                    .orElse(null);
        }
    }

    /** Files that ended, or never were written down, need no room. */
    private void tidy(StatelessSession session) {
        if (!Files.isDirectory(folder)) {
            return;
        }
        List<Long> open = session.createSelectionQuery(
                        "select id from ReadingFileRow where state in (WAITING, RUNNING)", Long.class)
                .getResultList();
        try (var files = Files.newDirectoryStream(folder, "*.readings")) {
            for (Path file : files) {
                String id = file.getFileName().toString().replace(".readings", "");
                if (open.stream().noneMatch(one -> one.toString().equals(id))) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            LOG.warn("Files of readings that ended cannot be deleted: {}", e.getMessage());
        }
    }

    private void takeIn(ReadingFileRow row) {
        try (Counted counted = new Counted(Files.newInputStream(file(row.id)))) {
            Opened opened = open(counted, row.mapping, SheetRows.Units.of(row.units));
            long done = row.rowsDone;
            for (long i = 0; i < done && opened.rows().next(); i++) {
                // What was taken before a restart is passed over.
            }
            while (takePortion(row, opened.rows(), counted)) {
                if (isStopping || row.id.equals(unwanted)) {
                    return;
                }
            }
            end(row, State.DONE, null);
        } catch (IOException e) {
            end(
                    row,
                    State.FAILED,
                    "It breaks off or cannot be read after row " + row.rowsDone + ". "
                            + (e.getCause() instanceof Refusal ? e.getMessage() : "") + " What came before is stored.");
        } catch (Refusal e) {
            if (isStopping || e.status().is5xxServerError() || e.status() == HttpStatus.TOO_MANY_REQUESTS) {
                // It is not the file's fault, which goes on where it was.
                throw e;
            }
            end(row, State.FAILED, e.getMessage());
        }
    }

    /** Takes some more rows; false if that was all. */
    private boolean takePortion(ReadingFileRow row, ReadingRows rows, Counted counted) throws IOException {
        List<IncomingReading> portion = new ArrayList<>();
        List<String> faults = new ArrayList<>(row.faults == null ? List.of() : List.of(row.faults.split("\n")));
        long index = row.rowsDone;
        boolean isMore = true;
        IOException broken = null;
        while (portion.size() < PORTION && index - row.rowsDone < 10L * PORTION) {
            try {
                isMore = rows.next();
            } catch (IOException e) {
                broken = e;
                break;
            }
            if (!isMore) {
                break;
            }
            try {
                portion.add(rows.read(index));
            } catch (ReadingFault e) {
                row.rejected++;
                figures.rejected(1);
                note(faults, row.format.row(index), e.getMessage());
            }
            index++;
        }
        if (!portion.isEmpty()) {
            Tally tally = SingleWriter.await(inlet.accept(new Inlet.Batch(portion, true), new Receiver(row.who, null)));
            row.accepted += tally.accepted();
            row.duplicates += tally.duplicates();
            row.unknownSensors += tally.unknownSensors();
            row.rejected += tally.rejectedTotal();
            tally.rejected().forEach(one -> note(faults, row.format.row(one.index()), one.message()));
        }
        row.rowsDone = index;
        row.bytesDone = counted.count;
        String text = String.join("\n", faults);
        row.faults = text.isEmpty() ? null : text.substring(0, Math.min(LONGEST_FAULTS, text.length()));
        row.state = State.RUNNING;
        store(row);
        if (broken != null) {
            throw broken;
        }
        return isMore;
    }

    private static void note(List<String> faults, long row, String message) {
        if (faults.size() < MOST_FAULTS) {
            faults.add("row " + row + ": " + message.replace('\n', ' '));
        }
    }

    private void end(ReadingFileRow row, State state, @Nullable String words) {
        row.state = state;
        row.words = words == null ? null : words.substring(0, Math.min(500, words.length()));
        row.endedAt = clock.instant();
        store(row);
    }

    /** What somebody stopped meanwhile stays stopped. */
    private void store(ReadingFileRow row) {
        writer.take(pen -> {
            ReadingFileRow known = pen.session().get(ReadingFileRow.class, row.id);
            if (known.state == State.CANCELLED) {
                row.state = State.CANCELLED;
                row.endedAt = known.endedAt;
                unwanted = row.id;
            }
            pen.session().update(row);
            return null;
        });
    }

    @Override
    public void start() {
        isStopping = false;
        Thread fresh = new Thread(this::run, "reading-files");
        fresh.setDaemon(true);
        thread = fresh;
        fresh.start();
    }

    @Override
    public void stop() {
        isStopping = true;
        ring();
        Thread running = thread;
        if (running != null) {
            try {
                running.join(TimeUnit.SECONDS.toMillis(10));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        thread = null;
    }

    @Override
    public boolean isRunning() {
        return thread != null && !isStopping;
    }

    /** Begun after everything that it needs, ended before. */
    @Override
    public int getPhase() {
        return Followers.PHASE + 50;
    }
}
