/**
 * Tyres as things: where each was and when, moving wheels as one permutation, and what speaks against a move. May depend on
 * axles and fitting.
 */
package vividcaravan.core.tyres;
