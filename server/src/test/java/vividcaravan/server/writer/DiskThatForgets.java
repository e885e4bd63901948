package vividcaravan.server.writer;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * A disk of the test for H2 ({@code jdbc:h2:forgets:…}): what was written since it was last told to hold on to all is lost
 * when the power goes, or a part of it is, in any order. One file at a time.
 */
public final class DiskThatForgets extends FilePathWrapper {

    private record Pending(long at, byte[] bytes) {}

    /** What is on the disk for certain. */
    private static byte[] held = {};
    /** What the disk may have written or not. */
    private static final List<Pending> PENDING = new ArrayList<>();

    static void register() {
        FilePath.register(new DiskThatForgets());
        synchronized (PENDING) {
            held = new byte[0];
            PENDING.clear();
        }
    }

    /** What is left where the power goes now; of what was not held on to, the random half. */
    static void leaveAfterPowerLoss(Path file, Random random) throws IOException {
        byte[] left;
        synchronized (PENDING) {
            left = held.clone();
            for (Pending write : PENDING) {
                if (random.nextBoolean()) {
                    left = written(left, write);
                }
            }
        }
        Files.write(file, left);
    }

    private static byte[] written(byte[] on, Pending write) {
        if (write.bytes == null) {
            return Arrays.copyOf(on, (int) Math.min(on.length, write.at));
        }
        byte[] now = Arrays.copyOf(on, (int) Math.max(on.length, write.at + write.bytes.length));
        System.arraycopy(write.bytes, 0, now, (int) write.at, write.bytes.length);
        return now;
    }

    @Override
    public String getScheme() {
        return "forgets";
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        FileChannel base = super.open(mode);
        return getBase().toString().endsWith(".mv.db") ? new Channel(base) : base;
    }

    private static final class Channel extends FileBaseDefault {

        private final FileChannel base;

        Channel(FileChannel base) {
            this.base = base;
        }

        @Override
        public long size() throws IOException {
            return base.size();
        }

        @Override
        public int read(ByteBuffer into, long position) throws IOException {
            return base.read(into, position);
        }

        @Override
        public int write(ByteBuffer from, long position) throws IOException {
            byte[] bytes = new byte[from.remaining()];
            from.duplicate().get(bytes);
            synchronized (PENDING) {
                PENDING.add(new Pending(position, bytes));
            }
            return base.write(from, position);
        }

        @Override
        protected void implTruncate(long size) throws IOException {
            synchronized (PENDING) {
                PENDING.add(new Pending(size, null));
            }
            base.truncate(size);
        }

        @Override
        public void force(boolean metaData) throws IOException {
            base.force(metaData);
            synchronized (PENDING) {
                for (Pending write : PENDING) {
                    held = written(held, write);
                }
                PENDING.clear();
            }
        }

        @Override
        public FileLock tryLock(long position, long size, boolean isShared) throws IOException {
            return base.tryLock(position, size, isShared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            base.close();
        }
    }
}
