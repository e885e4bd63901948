package vividcaravan.core.tyres;

/**
 * Why a move cannot be.
 *
 * @param move which of the moves, counted from 0
 * @param message what is wrong and what to do, in words
 */
public record MoveFault(int move, String message) {}
