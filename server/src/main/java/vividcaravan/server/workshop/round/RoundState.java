package vividcaravan.server.workshop.round;

/** What became of a pressure round. */
public enum RoundState {
    OPEN,
    /** Every wheel read right or had a reason; the sheet is kept as it was then. */
    DONE,
    /** Ended before that. */
    GIVEN_UP
}
