package vividcaravan.server.workshop.job;

import java.util.List;
import vividcaravan.core.fitting.PairingDoubt;

/**
 * What speaks against taking a sensor for a wheel.
 *
 * @param weight how much that weighs
 * @param wayOut what to do about it
 * @param codes codes to choose instead
 */
record CodeDoubt(PairingDoubt.Kind kind, PairingDoubt.Weight weight, String words, String wayOut, List<String> codes) {

    static List<CodeDoubt> of(List<PairingDoubt> doubts) {
        return doubts.stream()
                .map(doubt -> new CodeDoubt(
                        doubt.kind(), doubt.kind().weight(), doubt.words(), doubt.wayOut(), doubt.codes()))
                .toList();
    }
}
