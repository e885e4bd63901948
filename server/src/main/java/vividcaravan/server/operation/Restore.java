package vividcaravan.server.operation;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import vividcaravan.server.platform.Storage;

/** The command {@code --restore FILE}: puts a backup in the place of a data folder's database, which is set aside. */
public final class Restore {

    private final Storage storage;

    /** Of a product with such a database. */
    public Restore(Storage storage) {
        this.storage = storage;
    }

    /**
     * Does so, or says why not and changes nothing.
     *
     * @param backup a file that the product made
     * @param folder the data folder; made if it is not there
     * @return 0 if it was done, otherwise 1
     */
    public int run(Path backup, Path folder, Instant now, PrintStream out) {
        Path fresh = folder.resolve("being-restored.mv.db");
        Path current = folder.resolve(storage.fileName());
        try {
            Files.createDirectories(folder);
            unpack(backup, fresh);
            int vehicles = vehiclesIn(fresh);
            if (Files.exists(current)) {
                refuseIfInUse(folder);
                Path aside = folder.resolve("vivid-caravan.before-restore-" + now.getEpochSecond() + ".mv.db");
                // The old one keeps its name until the new one takes it, so that there is a database at every moment.
                setAside(current, aside);
                out.println("The database that was there is now " + aside);
            }
            // How far the database before had come says nothing of this one.
            Files.deleteIfExists(folder.resolve(storage.fileName() + ".version"));
            // First the note: what ends between the two must not leave a book that does not say what it is.
            Restored.note(folder, backup);
            Files.move(fresh, current, StandardCopyOption.ATOMIC_MOVE);
            out.println("Restored " + vehicles + " vehicles with all their history from " + backup + " to " + folder
                    + ". Start the product on this folder as usual.");
            return 0;
        } catch (IOException | SQLException e) {
            out.println("Nothing was restored: " + reason(e, backup));
            return 1;
        } finally {
            fresh.toFile().delete();
            folder.resolve("being-restored.trace.db").toFile().delete();
        }
    }

    private static void setAside(Path current, Path aside) throws IOException {
        try {
            Files.createLink(aside, current);
        } catch (UnsupportedOperationException | IOException e) {
            Files.copy(current, aside);
        }
    }

    void unpack(Path backup, Path to) throws IOException {
        if (Files.isDirectory(backup)) {
            throw new IOException(backup + " is a folder; name the backup's file.");
        }
        try (InputStream file = Files.newInputStream(backup);
                ZipInputStream zip = new ZipInputStream(file)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().endsWith(storage.fileName())) {
                    Files.copy(zip, to, StandardCopyOption.REPLACE_EXISTING);
                    return;
                }
            }
        } catch (EOFException | ZipException e) {
            throw new IOException(backup + " is damaged or not whole. Take another backup.", e);
        }
        throw new IOException(backup + " is no backup that the product made.");
    }

    /** Opens it, so that what is damaged is found out before anything is changed. */
    private int vehiclesIn(Path database) throws SQLException {
        try (Connection connection = storage.openCopy(database);
                Statement statement = connection.createStatement();
                ResultSet count = statement.executeQuery("select count(*) from vehicle")) {
            count.next();
            return count.getInt(1);
        }
    }

    private void refuseIfInUse(Path folder) throws IOException {
        try (java.nio.channels.FileChannel file = java.nio.channels.FileChannel.open(
                        folder.resolve(storage.fileName()),
                        java.nio.file.StandardOpenOption.READ,
                        java.nio.file.StandardOpenOption.WRITE);
                java.nio.channels.FileLock lock = file.tryLock()) {
            if (lock == null) {
                throw inUse(folder);
            }
        } catch (java.nio.channels.OverlappingFileLockException e) {
            throw inUse(folder);
        }
    }

    private static IOException inUse(Path folder) {
        return new IOException("the product is running on " + folder + ". Stop it first.");
    }

    private static String reason(Exception e, Path backup) {
        if (e instanceof java.nio.file.NoSuchFileException) {
            return "there is no file " + e.getMessage() + ".";
        }
        return e instanceof SQLException
                ? backup + " is damaged or from a newer version (" + e.getMessage() + ")."
                : e.getMessage();
    }
}
