package vividcaravan.simulator;

/** When a vehicle is on the road. */
enum Duty {
    /** Day and night, an hour and a half of driving and a quarter of an hour's stop. */
    ROUND_THE_CLOCK {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay) {
            // An hour into a leg at the anchor, so that everything is warm when somebody first looks.
            return Math.floorMod(sinceAnchor + HOUR, LEG + STOP) < LEG;
        }
    },
    /** From early morning to the evening, with stops. */
    DAY {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay) {
            return hourOfDay >= 5.5 && hourOfDay < 19 && hourOfDay % 2.25 < 1.75;
        }
    },
    /** Field and yard work: mornings and afternoons. */
    FARM {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay) {
            return hourOfDay >= 7.5 && hourOfDay < 11.75 || hourOfDay >= 13 && hourOfDay < 17;
        }
    };

    private static final long MINUTE = 60_000;
    private static final long HOUR = 60 * MINUTE;
    private static final long LEG = 90 * MINUTE;
    private static final long STOP = 15 * MINUTE;

    /**
     * Whether the vehicle is moving.
     *
     * @param sinceAnchor milliseconds since the demo was begun, may be negative
     * @param hourOfDay 0 to 24, at the depot
     */
    abstract boolean isMoving(long sinceAnchor, double hourOfDay);
}
