package vividcaravan.simulator;

/** When a vehicle is on the road. */
enum Duty {
    /** Day and night, an hour and a half of driving and a quarter of an hour's stop. */
    NIGHT {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            // An hour into a leg at the anchor, so that everything is warm when somebody first looks.
            return Math.floorMod(sinceAnchor + HOUR, LEG + STOP) < LEG;
        }
    },
    /** Milk is fetched before the dairy opens, and once more in the afternoon. */
    EARLY {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return hourOfDay >= 1.5 && hourOfDay < 10.5 && hourOfDay % 1.5 < 1.2
                    || hourOfDay >= 14 && hourOfDay < 17.5 && hourOfDay % 1.5 < 1.2;
        }
    },
    /** From early morning to the evening, with stops; not on Sundays. */
    DAY {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return dayOfWeek < SUNDAY && hourOfDay >= 5.5 && hourOfDay < 19 && hourOfDay % 2.25 < 1.75;
        }
    },
    /** The morning and the afternoon run, and a shopping trip on Saturdays. */
    SCHOOL {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return dayOfWeek < SATURDAY
                    ? hourOfDay >= 6.5 && hourOfDay < 9 || hourOfDay >= 14.5 && hourOfDay < 17.25
                    : dayOfWeek == SATURDAY && hourOfDay >= 10 && hourOfDay < 12;
        }
    },
    /** A spare vehicle that is out for three hours a day, last before anybody first looks. */
    RESERVE {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return isOut(sinceAnchor, 10);
        }
    },
    /** The same at the other end of the day, so that one of the two has always been quiet for long. */
    LATE_RESERVE {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return isOut(sinceAnchor, 22);
        }
    },
    /** Field and yard work: mornings and afternoons. */
    FARM {
        @Override
        boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek) {
            return hourOfDay >= 7.5 && hourOfDay < 11.75 || hourOfDay >= 13 && hourOfDay < 17;
        }
    };

    private static final int SATURDAY = 6;
    private static final int SUNDAY = 7;
    private static final long MINUTE = 60_000;
    private static final long HOUR = 60 * MINUTE;
    private static final long DAY_MILLIS = 24 * HOUR;
    private static final int RESERVE_HOURS = 2;
    private static final long LEG = 90 * MINUTE;
    private static final long STOP = 15 * MINUTE;

    private static boolean isOut(long sinceAnchor, int fromHour) {
        long hour = Math.floorMod(sinceAnchor, DAY_MILLIS) / HOUR;
        return hour >= fromHour && hour < fromHour + RESERVE_HOURS;
    }

    /**
     * Whether the vehicle is moving.
     *
     * @param sinceAnchor milliseconds since the demo was begun, may be negative
     * @param hourOfDay 0 to 24, at the depot
     * @param dayOfWeek 1 is Monday
     */
    abstract boolean isMoving(long sinceAnchor, double hourOfDay, int dayOfWeek);
}
