package vividcaravan.server.h2;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;

/**
 * The database's file, with its header written only once the disk holds all that came before it ({@code
 * jdbc:h2:headerlast:…}). H2 appends what changed, then lets the header point to it, and waits for the disk after both. Where
 * the power goes in between and the disk has kept the header alone, H2 looks for what the header names, does not find it,
 * and takes up an older state from elsewhere in the file: what had long been answered would be gone. PowerLossTest shows it.
 */
public final class HeaderLast extends FilePathWrapper {

    private static final String SCHEME = "headerlast";
    /** H2's header stands twice at the beginning of the file, in a block each. */
    private static final int HEADER_BYTES = 2 * 4096;

    /** How a path is to be named to H2. */
    static String schemeForH2() {
        FilePath.register(new HeaderLast());
        return SCHEME + ":";
    }

    /** The path within {@code name} as H2 knows it. */
    static String withoutScheme(String name) {
        return name.startsWith(SCHEME + ":") ? name.substring(SCHEME.length() + 1) : name;
    }

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return new Channel(super.open(mode));
    }

    private static final class Channel extends FileBaseDefault {

        private final FileChannel base;
        /** Something was written that the disk was not told to hold on to; guarded by this. */
        private boolean isPending;

        Channel(FileChannel base) {
            this.base = base;
        }

        @Override
        public synchronized int write(ByteBuffer from, long position) throws IOException {
            if (position < HEADER_BYTES && isPending) {
                base.force(false);
            }
            isPending = true;
            return base.write(from, position);
        }

        @Override
        public synchronized void force(boolean metaData) throws IOException {
            base.force(metaData);
            isPending = false;
        }

        @Override
        protected synchronized void implTruncate(long size) throws IOException {
            isPending = true;
            base.truncate(size);
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
        public FileLock tryLock(long position, long size, boolean isShared) throws IOException {
            return base.tryLock(position, size, isShared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            base.close();
        }
    }
}
