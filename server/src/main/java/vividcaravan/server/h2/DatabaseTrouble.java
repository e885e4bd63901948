package vividcaravan.server.h2;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.mvstore.MVStoreException;

/** Tells a database that cannot be written from a write that cannot be made. */
final class DatabaseTrouble {

    private static final Set<Integer> CODES = Set.of(
            ErrorCode.DATABASE_IS_CLOSED,
            ErrorCode.DATABASE_CALLED_AT_SHUTDOWN,
            ErrorCode.DATABASE_NOT_FOUND_WITH_IF_EXISTS_1,
            ErrorCode.DATABASE_IS_READ_ONLY,
            ErrorCode.CONNECTION_BROKEN_1,
            ErrorCode.IO_EXCEPTION_1,
            ErrorCode.IO_EXCEPTION_2,
            ErrorCode.FILE_CORRUPTED_1,
            ErrorCode.FILE_CREATION_FAILED_1,
            ErrorCode.FILE_RENAME_FAILED_2,
            ErrorCode.FILE_DELETE_FAILED_1,
            ErrorCode.FILE_NOT_FOUND_1,
            ErrorCode.ERROR_OPENING_DATABASE_1,
            ErrorCode.OUT_OF_MEMORY);

    private DatabaseTrouble() {}

    /** Whether {@code thrown} says that the file, its disk or the connection to it is gone. */
    static boolean isBehind(Throwable thrown) {
        int depth = 0;
        for (Throwable cause = thrown; cause != null && depth < 30; cause = cause.getCause(), depth++) {
            boolean isTrouble = cause instanceof MVStoreException
                    || cause instanceof SQLNonTransientConnectionException
                    || cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLRecoverableException
                    || cause instanceof SQLException sql && isTrouble(sql);
            if (isTrouble) {
                return true;
            }
        }
        return false;
    }

    private static boolean isTrouble(SQLException sql) {
        boolean isConnection = sql.getSQLState() != null && sql.getSQLState().startsWith("08");
        return isConnection || CODES.contains(sql.getErrorCode());
    }
}
