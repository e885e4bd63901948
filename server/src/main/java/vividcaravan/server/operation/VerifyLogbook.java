package vividcaravan.server.operation;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vividcaravan.server.logbook.LogbookProof;
import vividcaravan.server.platform.Storage;

/**
 * The command {@code --verify-logbook [FILE] [NUMBER:HASH]}: reads the logbook of a backup, or of the data folder while the
 * product does not run, and says whether its chain is whole. With the number and hash of an entry that were kept elsewhere it
 * says also whether that entry is in it.
 */
public final class VerifyLogbook {

    private static final Pattern KEPT = Pattern.compile("(\\d{1,18}):([0-9a-fA-F]{64})");

    private VerifyLogbook() {}

    /**
     * Does so.
     *
     * @param arguments what follows the command
     * @param folder the data folder, looked at where no file is named
     * @return 0 if the chain is whole and holds what was kept, 1 if not, 2 if it cannot be read
     */
    public static int run(List<String> arguments, Path folder, Storage storage, PrintStream out) {
        Optional<Matcher> kept =
                arguments.stream().map(KEPT::matcher).filter(Matcher::matches).findFirst();
        Path file = arguments.stream()
                .filter(argument -> !KEPT.matcher(argument).matches())
                .findFirst()
                .map(Path::of)
                .orElse(folder);
        try {
            return new BookOfCopy(storage).look(file, connection -> {
                LogbookProof proof = LogbookProof.of(connection);
                boolean holds = true;
                if (kept.isPresent()) {
                    long number = Long.parseLong(kept.get().group(1));
                    holds = LogbookProof.hashOf(connection, number)
                            .filter(hash -> hash.equalsIgnoreCase(kept.get().group(2)))
                            .isPresent();
                    out.println(
                            holds
                                    ? "Entry " + number + " is the one whose hash was kept."
                                    : "Entry " + number + " is NOT the one whose hash was kept.");
                }
                return tell(proof, file, out) && holds ? 0 : 1;
            });
        } catch (IOException e) {
            out.println("The logbook cannot be read: " + e.getMessage());
            return 2;
        }
    }

    private static boolean tell(LogbookProof proof, Path file, PrintStream out) {
        if (proof.isWhole()) {
            out.println("The logbook of " + file + " is whole: " + proof.entries() + " entries.");
            out.println("Newest: " + proof.newest() + ":" + proof.hash());
        } else {
            out.println("The logbook of " + file + " is NOT whole:");
            proof.breaks().forEach(one -> out.println("  entry " + one.number() + ": " + one.what()));
        }
        return proof.isWhole();
    }
}
