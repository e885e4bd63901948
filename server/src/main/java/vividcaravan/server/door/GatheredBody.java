package vividcaravan.server.door;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;

/** A small body, gathered piece by piece as it comes; no thread waits for it. */
final class GatheredBody implements ReadListener {

    /** How it ended. */
    enum End {
        WHOLE,
        TOO_LARGE,
        TOO_SLOW,
        BROKEN_OFF
    }

    private final ServletInputStream in;
    private final int largest;
    private final Consumer<End> whenEnded;
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private ScheduledFuture<?> patience;
    private boolean isEnded;

    /**
     * @param whenEnded told once
     */
    GatheredBody(ServletInputStream in, int largest, Consumer<End> whenEnded) {
        this.in = in;
        this.largest = largest;
        this.whenEnded = whenEnded;
    }

    /** Begins; by the end of {@code time} the body has to be there. */
    synchronized void gather(ScheduledExecutorService clock, long time, TimeUnit unit) {
        patience = clock.schedule(() -> end(End.TOO_SLOW), time, unit);
        in.setReadListener(this);
    }

    byte[] bytes() {
        return bytes.toByteArray();
    }

    @Override
    public void onDataAvailable() throws IOException {
        byte[] piece = new byte[4 * 1024];
        synchronized (this) {
            while (!isEnded && in.isReady() && !in.isFinished()) {
                int count = in.read(piece);
                if (count < 0) {
                    return;
                }
                bytes.write(piece, 0, count);
                if (bytes.size() > largest) {
                    end(End.TOO_LARGE);
                }
            }
        }
    }

    @Override
    public void onAllDataRead() {
        end(End.WHOLE);
    }

    @Override
    public void onError(Throwable thrown) {
        end(End.BROKEN_OFF);
    }

    private void end(End how) {
        synchronized (this) {
            if (isEnded) {
                return;
            }
            isEnded = true;
            patience.cancel(false);
        }
        whenEnded.accept(how);
    }
}
