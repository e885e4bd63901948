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
        try (Counted counted = new Counted(Files.newInputStream(ReadingFiles.file(folder, row.id)))) {
            ReadingFileOpening.Opened opened = opening.open(counted, row.mapping, SheetRows.Units.of(row.units));
            long done = row.rowsDone;
            for (long i = 0; i < done && opened.rows().next(); i++) {
                // What was taken before a restart is passed over.
            }
            Order order = new Order();
            while (takePortion(row, opened.rows(), counted, order)) {
                if (isStopping || row.id.equals(unwanted)) {
                    return;
                }
            }
            end(row, State.DONE, order.goesBack ? NOT_BY_TIME : null);
        } catch (NoSuchFileException e) {
            end(row, State.FAILED, String.format(Locale.ROOT, NOT_HERE, row.rowsDone));
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
