package vividcaravan.core.judge.siblings;

/**
 * What is known of whether a tyre is driven at what it shows.
 *
 * @param isPossible whether it may have been: that governs what to do
 * @param isSeen whether a sensor says so, or it is seen in warming, its own or its mates': only that marks a tyre
 * @param isLong whether it has been for so long that the gauge of a cold morning counts
 */
public record Driving(boolean isPossible, boolean isSeen, boolean isLong) {}
