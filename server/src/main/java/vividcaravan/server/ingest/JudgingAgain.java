package vividcaravan.server.ingest;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.JudgedAgain;
import vividcaravan.server.writer.Followers;
import vividcaravan.server.writer.SingleWriter;

/**
 * Judges vehicles again that are owed it, one after the other on a thread of its own, day by day: readings that come in meanwhile
 * wait for none of it. What a run comes to is taken over in one short write.
 */
@Component
public class JudgingAgain implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(JudgingAgain.class);
    private static final long DAY_MILLIS = Duration.ofDays(1).toMillis();
    /** Looked for again without a bell, and after what failed. */
    private static final long LOOK_AGAIN_MILLIS = 60_000;
    /** What is overtaken again and again waits ever longer, at most so long. */
    private static final long LONGEST_PAUSE_MILLIS = 30_000;

    private static final long FIRST_PAUSE_MILLIS = 50;

    private final OwedRuns owed;
    private final RunLedger ledger;
    private final PastReadings past;
    private final FleetDirectory fleet;
    private final SingleWriter writer;
    private final Object bell = new Object();
    private boolean isRung;
    private volatile boolean isStopping;
    private volatile Thread thread;

    JudgingAgain(OwedRuns owed, RunLedger ledger, PastReadings past, FleetDirectory fleet, SingleWriter writer) {
        this.owed = owed;
        this.ledger = ledger;
        this.past = past;
        this.fleet = fleet;
        this.writer = writer;
    }

    /** Whether nothing is owed. */
    public boolean isIdle() {
        return owed.waiting().isEmpty();
    }

    private void ring() {
        synchronized (bell) {
            isRung = true;
            bell.notifyAll();
        }
    }

    private void waitForBell(long millis) throws InterruptedException {
        synchronized (bell) {
            if (!isRung && !isStopping) {
                bell.wait(millis);
            }
            isRung = false;
        }
    }

    private void work() {
        while (!isStopping) {
            try {
                List<Long> waiting = owed.waiting();
                if (waiting.isEmpty()) {
                    waitForBell(LOOK_AGAIN_MILLIS);
                } else {
                    pay(waiting.get(0));
                }
            } catch (InterruptedException e) {
                return;
            } catch (RuntimeException e) {
                if (!isStopping) {
                    LOG.error("A vehicle could not be judged again; it is tried again in a minute", e);
                    pause(LOOK_AGAIN_MILLIS);
                }
            }
        }
    }

    private void pause(long millis) {
        try {
            synchronized (bell) {
                if (!isStopping) {
                    bell.wait(millis);
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Makes runs over the past of a vehicle until one of them stands. */
    private void pay(long vehicle) {
        long pause = FIRST_PAUSE_MILLIS;
        while (!isStopping) {
            Optional<Run> begun = writer.take(ledger.beginning(vehicle));
            if (begun.isEmpty() || isAdopted(begun.get())) {
                return;
            }
            pause(pause);
            pause = Math.min(2 * pause, LONGEST_PAUSE_MILLIS);
        }
    }

    private boolean isAdopted(Run run) {
        long taken = run.from();
        RunLedger.Outcome outcome = RunLedger.Outcome.GOES_ON;
        while (outcome == RunLedger.Outcome.GOES_ON && !isStopping) {
            long end = ledger.end(run);
            for (; taken < end && !isOvertaken(run); taken = Math.min(end, taken + DAY_MILLIS)) {
                show(run, taken, end);
                past.judge(run, taken, Math.min(end, taken + DAY_MILLIS), () -> isStopping);
            }
            outcome = isOvertaken(run) ? RunLedger.Outcome.OVERTAKEN : writer.take(ledger.adoption(run, taken));
        }
        return outcome == RunLedger.Outcome.ADOPTED;
    }

    private boolean isOvertaken(Run run) {
        return isStopping
                || owed.of(run.vehicle())
                        .filter(what -> what.version() == run.version())
                        .isEmpty();
    }

    private void show(Run run, long taken, long end) {
        double share = (taken - run.from()) / (double) Math.max(1, end - run.from());
        fleet.vehicle(run.vehicle()).ifPresent(vehicle -> owed.of(run.vehicle())
                .ifPresent(what -> vehicle.judgedAgain(
                        new JudgedAgain(Instant.ofEpochMilli(what.from()), share, what.wasHeld()))));
    }

    @Override
    public void start() {
        isStopping = false;
        owed.rings(this::ring);
        Thread fresh = new Thread(this::work, "judging-again");
        fresh.setDaemon(true);
        fresh.setPriority(Thread.MIN_PRIORITY);
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
