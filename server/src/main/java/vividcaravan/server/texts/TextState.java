package vividcaravan.server.texts;

/** What became of a text message. */
public enum TextState {
    /** To be handed over, for the first time or again. */
    WAITING,
    /** Taken by the service. */
    SENT,
    /** Given up after several tries. */
    FAILED,
    /** Not to be sent: this is the demo; to be read on the page. */
    KEPT
}
