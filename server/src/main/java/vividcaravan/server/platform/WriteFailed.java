package vividcaravan.server.platform;

/** A write failed for a reason of its own that nobody planned for; nothing of it was kept, and the log says more. */
public final class WriteFailed extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String reference;

    public WriteFailed(String reference, Throwable cause) {
        super("write " + reference + " failed", cause);
        this.reference = reference;
    }

    /** Under which the log tells of it. */
    public String reference() {
        return reference;
    }
}
