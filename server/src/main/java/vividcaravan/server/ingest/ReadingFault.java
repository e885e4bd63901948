package vividcaravan.server.ingest;

/** Why one reading of a body is not taken; the message says what is allowed. */
class ReadingFault extends Exception {

    private static final long serialVersionUID = 1L;

    ReadingFault(String message) {
        super(message, null, false, false);
    }
}
