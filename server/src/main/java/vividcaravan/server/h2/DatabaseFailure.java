package vividcaravan.server.h2;

import java.sql.SQLException;
import org.h2.api.ErrorCode;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.core.env.Environment;

/** Says in plain words why the database could not be opened at the start. */
final class DatabaseFailure extends AbstractFailureAnalyzer<SQLException> {

    private final String folder;

    DatabaseFailure(Environment environment) {
        this.folder = environment.getProperty("vivid.data-dir", "./data");
    }

    @Override
    protected FailureAnalysis analyze(Throwable rootFailure, SQLException cause) {
        return switch (cause.getErrorCode()) {
            case ErrorCode.DATABASE_ALREADY_OPEN_1 ->
                new FailureAnalysis(
                        "The database in the folder " + folder + " is in use by another process.",
                        "Stop the other one first, or give this one a folder of its own with VIVID_DATA_DIR.",
                        cause);
            case ErrorCode.FILE_CORRUPTED_1, ErrorCode.FILE_VERSION_ERROR_1, ErrorCode.GENERAL_ERROR_1 ->
                new FailureAnalysis(
                        "The database in the folder " + folder + " is damaged: " + cause.getMessage(),
                        "Keep the file as it is. Bring back the newest backup: bin/vivid-caravan --restore"
                                + " FILE, with VIVID_DATA_DIR naming this folder; the damaged file is set aside.",
                        cause);
            case ErrorCode.IO_EXCEPTION_1, ErrorCode.IO_EXCEPTION_2, ErrorCode.FILE_CREATION_FAILED_1 ->
                new FailureAnalysis(
                        "The folder " + folder + " cannot be read or written: " + cause.getMessage(),
                        "Look at the room on its disk and at the rights of the user that starts the product.",
                        cause);
            default -> null;
        };
    }
}
