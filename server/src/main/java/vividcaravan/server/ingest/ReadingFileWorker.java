package vividcaravan.server.ingest;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import vividcaravan.server.ingest.ReadingFileRow.State;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/**
 * Takes in the files of readings that wait, one after the other, while everything else goes on. How far one is stands in the
 * database, so after a restart it goes on from there; what was taken and not written down as taken is a duplicate, and counts
 * as one.
 */
@Component
class ReadingFileWorker implements SmartLifecycle {

    /** So many rows at once: few enough that what comes in live waits no longer than a moment. */
    static final int PORTION = 5_000;

    private static final int MOST_FAULTS = 20;

    private static final int LONGEST_FAULTS = 7_500;

    private static final long AT_REST_MILLIS = TimeUnit.HOURS.toMillis(1);

    /** So often a file is begun without a row of it being taken in; then it is it that ends the product. */
    private static final int MOST_STARTS = 2;

    private static final String ENDED_THE_PRODUCT =
            "The product ended twice while it read this file after row %,d, so it is not tried again. Look at the file there, and"
                    + " send the rest in parts; what came before is stored.";

    private static final long LOOK_AGAIN_MILLIS = 60_000;

    private static final Logger LOG = LoggerFactory.getLogger(ReadingFiles.class);

    private final Path folder;
    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Inlet inlet;
    private final ReadingFileOpening opening;
    private final IngestFigures figures;
    private final Clock clock;
    private final Object bell = new Object();
    private volatile boolean isStopping;
    private volatile @Nullable Long unwanted;
    private volatile @Nullable Thread thread;

    ReadingFileWorker(
            VividProperties properties,
            SessionFactory sessions,
            SingleWriter writer,
            Inlet inlet,
            ReadingFileOpening opening,
            IngestFigures figures,
            Clock clock) {
        this.folder = ReadingFiles.folder(properties);
        this.sessions = sessions;
        this.writer = writer;
        this.inlet = inlet;
        this.opening = opening;
        this.figures = figures;
        this.clock = clock;
    }

    /** Backlogs overlap by less [our judgement]. */
    private static final long BACK_MILLIS = 24L * 60 * 60 * 1000;

    private static final String NOT_BY_TIME =
            "This file does not go by time from its first row to its last, as one that is sorted by"
                    + " sensor does not. All of it is stored; what shows only when wheels are compared at one moment may not have"
                    + " been found. Where that matters, sort it by time before it is sent.";

    /** After a backup was put back: the database is of that time, the file is not. */
    private static final String NOT_HERE =
            "The file itself is not here: a backup holds no files that wait. %,d rows of it had been taken in; send it again, what"
                    + " is stored is not stored twice.";

    /** The bytes of a file as they are read, unpacked where they are packed, with a count of those that were taken. */
    private static final class Counted extends FilterInputStream {

        private final BooleanSupplier isUnwanted;
        private long count;

        Counted(InputStream in, BooleanSupplier isUnwanted) {
            super(in);
            this.isUnwanted = isUnwanted;
        }

        private void stopIfUnwanted() throws Unwanted {
            if (isUnwanted.getAsBoolean()) {
                throw new Unwanted();
            }
        }

        @Override
        public int read() throws IOException {
            stopIfUnwanted();
            int next = super.read();
            count += next < 0 ? 0 : 1;
            return next;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            stopIfUnwanted();
            int read = super.read(bytes, offset, length);
            count += Math.max(read, 0);
            return read;
        }
    }

    /** Somebody stopped the file, or the product stops, while it was being read. */
    private static final class Unwanted extends IOException {
        private static final long serialVersionUID = 1L;
    }

    /** Has it look for files at once. */
    void ring() {
        synchronized (bell) {
            bell.notifyAll();
        }
    }

    /** Has it take in no more of a file. */
    void leave(long id) {
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
        try {
            // Listed first: one that is moved here while the database is asked is not yet known there, and not listed.
            List<Path> there = listed("*.readings");
            List<Long> open = session.createSelectionQuery(
                            "select id from ReadingFileRow where state in (WAITING, RUNNING)", Long.class)
                    .getResultList();
            for (Path file : there) {
                String id = file.getFileName().toString().replace(".readings", "");
                if (open.stream().noneMatch(one -> one.toString().equals(id)) && isAtRest(file)) {
                    Files.deleteIfExists(file);
                }
            }
            // An upload that was cut off by the end of the product.
            for (Path part : listed("*.part")) {
                if (isAtRest(part)) {
                    Files.deleteIfExists(part);
                }
            }
        } catch (IOException e) {
            LOG.warn("Files of readings that ended cannot be deleted: {}", e.getMessage());
        }
    }

    private List<Path> listed(String names) throws IOException {
        List<Path> found = new ArrayList<>();
        try (var files = Files.newDirectoryStream(folder, names)) {
            files.forEach(found::add);
        }
        return found;
    }

    /** What is still being written, or was moved here by a write that is not on disk yet, is no older than this. */
    private boolean isAtRest(Path file) throws IOException {
        long age = clock.millis() - Files.getLastModifiedTime(file).toMillis();
        return age > AT_REST_MILLIS;
    }

    private void takeIn(ReadingFileRow row) {
        if (row.starts >= MOST_STARTS) {
            end(row, State.FAILED, String.format(Locale.ROOT, ENDED_THE_PRODUCT, row.rowsDone));
            return;
        }
        row.starts++;
        store(row);
        if (row.state != State.CANCELLED) {
            read(row);
        }
    }

    private void read(ReadingFileRow row) {
        BooleanSupplier isUnwanted = () -> isStopping || row.id.equals(unwanted);
        try (Counted counted = new Counted(Files.newInputStream(ReadingFiles.file(folder, row.id)), isUnwanted)) {
            ReadingFileOpening.Opened opened = opening.open(counted, row.mapping, SheetRows.Units.of(row.units));
            long done = row.rowsDone;
            for (long i = 0; i < done && opened.rows().next(); i++) {
                // What was taken before a restart is passed over.
            }
            Order order = new Order();
            while (takePortion(row, opened.rows(), counted, order)) {
                if (isUnwanted.getAsBoolean()) {
                    throw new Unwanted();
                }
            }
            end(row, State.DONE, order.goesBack ? NOT_BY_TIME : null);
        } catch (Unwanted e) {
            leaveAlone(row);
        } catch (NoSuchFileException e) {
            end(row, State.FAILED, String.format(Locale.ROOT, NOT_HERE, row.rowsDone));
        } catch (IOException e) {
            if (isUnwanted.getAsBoolean()) {
                leaveAlone(row);
                return;
            }
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

    /** In good order: it is no fault of the file that it was not read to its end. */
    private void leaveAlone(ReadingFileRow row) {
        row.starts = 0;
        store(row);
    }

    /** Whether a file goes by time, portion by portion: what comes together is judged together, in the order of its time. */
    private static final class Order {

        private long newest = Long.MIN_VALUE;
        private boolean goesBack;

        void take(List<IncomingReading> portion) {
            long oldest = Long.MAX_VALUE;
            long latest = newest;
            for (IncomingReading one : portion) {
                oldest = Math.min(oldest, one.reading().at());
                latest = Math.max(latest, one.reading().at());
            }
            goesBack |= newest != Long.MIN_VALUE && oldest < newest - BACK_MILLIS;
            newest = latest;
        }
    }

    /** Takes some more rows; false if that was all. */
    private boolean takePortion(ReadingFileRow row, ReadingRows rows, Counted counted, Order order) throws IOException {
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
            order.take(portion);
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
        row.starts = 0;
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
