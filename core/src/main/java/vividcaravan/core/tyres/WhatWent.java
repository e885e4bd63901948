package vividcaravan.core.tyres;

/** What a move took: where it leaves the rim, what may leak there stays as well. */
public enum WhatWent {
    WHOLE_WHEEL("whole wheel: rim and valve go too"),
    TYRE_ALONE("tyre alone: rim and valve stay");

    private final String words;

    WhatWent(String words) {
        this.words = words;
    }

    /** As a reader chooses it. */
    public String words() {
        return words;
    }
}
