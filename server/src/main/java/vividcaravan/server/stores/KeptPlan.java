package vividcaravan.server.stores;

/** A plan with what became of it; times are epoch milliseconds. */
record KeptPlan(
        long id, KitPlanState state, long madeAt, String madeBy, long changedAt, String changedBy, KitSheet sheet) {}
