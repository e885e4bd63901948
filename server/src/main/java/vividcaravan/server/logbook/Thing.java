package vividcaravan.server.logbook;

/**
 * What a deed is about.
 *
 * @param id by which it is found, as addresses of pages name it
 * @param name as it was called when the deed was done
 */
public record Thing(Kind kind, String id, String name) {

    /** What kinds of things there are. */
    public enum Kind {
        VEHICLE,
        WHEEL,
        AXLE,
        SENSOR,
        TYRE,
        MOVE,
        ALERT,
        JOB,
        ROUND,
        LIMIT,
        DEPOT,
        ACCOUNT,
        INVITATION,
        TOKEN,
        RECEIVER,
        GAUGE,
        SETTING,
        STOCK,
        PLAN,
        LOAD_TABLE,
        IMPORT,
        BACKUP,
        MAIL,
        TEXT,
        DEMO,
        LOGBOOK
    }

    private static final int LONGEST = 200;

    /** Holds no more than the book has room for. */
    public Thing {
        id = Plain.text(id, LONGEST);
        name = Plain.text(name, LONGEST);
    }

    /** A vehicle of this identity. */
    public static Thing vehicle(long id, String ref) {
        return new Thing(Kind.VEHICLE, Long.toString(id), ref);
    }
}
