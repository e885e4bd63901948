package vividcaravan.server.writer;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;
import org.jspecify.annotations.Nullable;

/**
 * A disk of the test for H2 ({@code jdbc:h2:forgets:…}) that keeps a journal of what it was told. What was written since it
 * was last told to hold on to all is lost when the power goes, or a part of it is, in any order; where the power goes is
 * chosen afterwards, so that one run is good for many losses. One file at a time.
 */
public final class DiskThatForgets extends FilePathWrapper {

    static final String SCHEME = "forgets:";

    private static final List<Told> JOURNAL = new ArrayList<>();

    /** What the disk was told, or what the test knew at that moment. */
    sealed interface Told {}

    /** Bytes to write. */
    private record Written(long at, byte[] bytes) implements Told {}

    /** To cut the file. */
    private record Cut(long size) implements Told {}

    /** To hold on to all that it was told so far. */
    private record Hold() implements Told {}

    /** The test was answered. */
    record Answered(int id) implements Told {}

    static void register() {
        FilePath.register(new DiskThatForgets());
        synchronized (JOURNAL) {
            JOURNAL.clear();
        }
    }

    static void note(Told told) {
        synchronized (JOURNAL) {
            JOURNAL.add(told);
        }
    }

    /** All that happened so far, to lose power within. */
    static Past past() {
        synchronized (JOURNAL) {
            return new Past(List.copyOf(JOURNAL));
        }
    }

    /** What happened to the disk. */
    static final class Past {

        private final List<Told> journal;
        private final Content held = new Content(new byte[1 << 20], 0);
        private final List<Told> pending = new ArrayList<>();
        private int next;

        private Past(List<Told> journal) {
            this.journal = journal;
        }

        /**
         * Goes on to the next moment at which the disk has several things left to do, of which it may do one and not the
         * other.
         *
         * @param answered is given each answer on the way there
         * @return whether there is one
         */
        boolean goOn(Consumer<Answered> answered) {
            while (next < journal.size()) {
                Told told = journal.get(next);
                next++;
                if (told instanceof Answered one) {
                    answered.accept(one);
                } else if (told instanceof Hold) {
                    pending.forEach(held::take);
                    pending.clear();
                } else {
                    pending.add(told);
                    if (pending.size() > 1) {
                        return true;
                    }
                }
            }
            return false;
        }

        /** What is left where the power goes now; of what was not held on to, the random half. */
        byte[] left(Random random) {
            Content left = new Content(held.bytes.clone(), held.size);
            pending.stream().filter(one -> random.nextBoolean()).forEach(left::take);
            return Arrays.copyOf(left.bytes, left.size);
        }
    }

    /** What is on the disk. */
    private static final class Content {

        private byte[] bytes;
        private int size;

        Content(byte[] bytes, int size) {
            this.bytes = bytes;
            this.size = size;
        }

        void take(Told told) {
            if (told instanceof Cut cut) {
                int shorter = (int) Math.min(size, cut.size);
                Arrays.fill(bytes, shorter, size, (byte) 0);
                size = shorter;
            } else if (told instanceof Written write) {
                int end = (int) write.at + write.bytes.length;
                if (end > bytes.length) {
                    bytes = Arrays.copyOf(bytes, 2 * end);
                }
                System.arraycopy(write.bytes, 0, bytes, (int) write.at, write.bytes.length);
                size = Math.max(size, end);
            }
        }
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
            note(new Written(position, bytes));
            return base.write(from, position);
        }

        @Override
        protected void implTruncate(long size) throws IOException {
            note(new Cut(size));
            base.truncate(size);
        }

        @Override
        public void force(boolean metaData) throws IOException {
            base.force(metaData);
            note(new Hold());
        }

        @Override
        public @Nullable FileLock tryLock(long position, long size, boolean isShared) throws IOException {
            return base.tryLock(position, size, isShared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            base.close();
        }
    }
}
