package vividcaravan.core.alert;

/** What a person asked of an alert is not allowed; the message says why and what to do instead. */
public final class AlertRefused extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public AlertRefused(String message) {
        super(message);
    }
}
