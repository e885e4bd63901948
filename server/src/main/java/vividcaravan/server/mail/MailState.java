package vividcaravan.server.mail;

/** What became of a mail. */
public enum MailState {
    /** To be sent, for the first time or again. */
    WAITING,
    /** Taken by the mail server. */
    SENT,
    /** Given up after several tries. */
    FAILED,
    /** Not to be sent: there is no mail server, or this is the demo; to be read in the outbox. */
    KEPT
}
