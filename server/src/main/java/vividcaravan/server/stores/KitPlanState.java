package vividcaravan.server.stores;

/** What became of a plan. */
public enum KitPlanState {
    /** Written down; nothing is put aside for it. */
    PLANNED,
    /** What there is lies aside for it. */
    RESERVED,
    /** What lay aside was handed out and is no longer in the store. */
    HANDED_OUT
}
