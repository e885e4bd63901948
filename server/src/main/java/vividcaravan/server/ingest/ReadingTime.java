package vividcaravan.server.ingest;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.OffsetDateTime;

/** Reads the time of a reading: RFC 3339, the common form by hand because it is most of the cost of a reading. */
final class ReadingTime {

    private static final int COMMON_LENGTH = "2026-11-20T06:31:07Z".length();

    private ReadingTime() {}

    /**
     * Epoch milliseconds; finer digits are cut off.
     *
     * @throws ReadingFault if {@code text} is no RFC 3339 time
     */
    static long parse(String text) throws ReadingFault {
        long common = common(text);
        if (common != Long.MIN_VALUE) {
            return common;
        }
        try {
            return OffsetDateTime.parse(text.replace(' ', 'T')).toInstant().toEpochMilli();
        } catch (DateTimeException | ArithmeticException e) {
            throw new ReadingFault("\"at\" is no time: write it like 2026-11-20T06:31:07Z, or as epoch milliseconds.");
        }
    }

    /** The time if it is written {@code yyyy-mm-ddThh:mm:ss[.fff]Z}, otherwise {@code Long.MIN_VALUE}. */
    private static long common(String t) {
        int length = t.length();
        boolean isShort = length == COMMON_LENGTH;
        boolean isLong = length == COMMON_LENGTH + 4 && t.charAt(19) == '.';
        if (!isShort && !isLong || t.charAt(length - 1) != 'Z' || t.charAt(10) != 'T') {
            return Long.MIN_VALUE;
        }
        if (t.charAt(4) != '-' || t.charAt(7) != '-' || t.charAt(13) != ':' || t.charAt(16) != ':') {
            return Long.MIN_VALUE;
        }
        int year = digits(t, 0, 4);
        int month = digits(t, 5, 7);
        int day = digits(t, 8, 10);
        int hour = digits(t, 11, 13);
        int minute = digits(t, 14, 16);
        int second = digits(t, 17, 19);
        int millis = isLong ? digits(t, 20, 23) : 0;
        boolean isClock = hour >= 0 && hour < 24 && minute >= 0 && minute < 60 && second >= 0 && second < 60;
        boolean isDate = year >= 0 && month >= 1 && month <= 12 && day >= 1 && day <= 28;
        if (!isClock || !isDate || millis < 0) {
            return Long.MIN_VALUE;
        }
        return ((LocalDate.of(year, month, day).toEpochDay() * 24 + hour) * 60 + minute) * 60_000
                + second * 1_000L
                + millis;
    }

    private static int digits(String text, int from, int to) {
        int value = 0;
        for (int i = from; i < to; i++) {
            int digit = text.charAt(i) - '0';
            if (digit < 0 || digit > 9) {
                return -1;
            }
            value = value * 10 + digit;
        }
        return value;
    }
}
