package vividcaravan.server.logbook;

/**
 * Who did something.
 *
 * @param id user name of a person, or what a token is called
 * @param name as people read it
 */
public record Author(Kind kind, String id, String name) {

    /** What kinds of authors there are. */
    public enum Kind {
        /** Somebody who is signed in. */
        PERSON,
        /** A machine that came in with a token. */
        TOKEN,
        /** The product, by what it made of readings. */
        JUDGE,
        /** The product, by the clock or at its start. */
        SCHEDULE
    }

    /** The product, by what it made of readings. */
    public static final Author JUDGE = new Author(Kind.JUDGE, "judge", "The judge");

    /** The product, by the clock or at its start. */
    public static final Author SCHEDULE = new Author(Kind.SCHEDULE, "schedule", "The product");

    /** Somebody who is signed in. */
    public static Author person(String userName, String displayName) {
        return new Author(Kind.PERSON, userName, displayName);
    }

    /** A machine that came in with a token. */
    public static Author token(String name) {
        return new Author(Kind.TOKEN, name, "Token \u201c" + name + "\u201d");
    }
}
