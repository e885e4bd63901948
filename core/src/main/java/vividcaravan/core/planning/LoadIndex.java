package vividcaravan.core.planning;

/**
 * The load that a tyre's load index stands for: what one tyre carries at its reference pressure [ISO 4209-1 for
 * commercial tyres, UN Regulation 54 annex 4, UN Regulation 106 for farm tyres; values from memory].
 */
public final class LoadIndex {

    /** The lowest index in the table. */
    public static final int LOWEST = 100;

    /** The highest index in the table. */
    public static final int HIGHEST = 170;

    private static final int[] KG = {
        800, 825, 850, 875, 900, 925, 950, 975, 1000, 1030, // 100
        1060, 1090, 1120, 1150, 1180, 1215, 1250, 1285, 1320, 1360, // 110
        1400, 1450, 1500, 1550, 1600, 1650, 1700, 1750, 1800, 1850, // 120
        1900, 1950, 2000, 2060, 2120, 2180, 2240, 2300, 2360, 2430, // 130
        2500, 2575, 2650, 2725, 2800, 2900, 3000, 3075, 3150, 3250, // 140
        3350, 3450, 3550, 3650, 3750, 3875, 4000, 4125, 4250, 4375, // 150
        4500, 4625, 4750, 4875, 5000, 5150, 5300, 5450, 5600, 5800, // 160
        6000 // 170
    };

    private LoadIndex() {}

    /**
     * The load of an index, kg.
     *
     * @throws IllegalArgumentException if the index is not from 100 to 170
     */
    public static int kg(int index) {
        if (index < LOWEST || index > HIGHEST) {
            throw new IllegalArgumentException("load index must be 100 to 170, was " + index);
        }
        return KG[index - LOWEST];
    }
}
