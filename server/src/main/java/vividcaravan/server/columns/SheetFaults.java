package vividcaravan.server.columns;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vividcaravan.server.platform.Faults;

/** What is wrong with the rows of a table: the first are listed, all are counted. */
public final class SheetFaults {

    /** So many are listed. */
    static final int MOST_LISTED = 200;

    private final List<RowFault> listed = new ArrayList<>();
    private int total;

    /**
     * What is wrong with a row.
     *
     * @param row counted from 1, which are the headings; 0 where it is the whole table
     * @param field the name of the field at fault; empty where it is the row
     */
    public record RowFault(long row, String field, String message) {}

    /** Notes a fault. */
    public void add(long row, String field, String message) {
        total++;
        if (listed.size() < MOST_LISTED) {
            listed.add(new RowFault(row, field, message));
        }
    }

    /** Notes what was found of a row elsewhere. */
    public void addAll(long row, Faults faults) {
        faults.all().forEach(fault -> add(row, fault.field(), fault.message()));
    }

    List<RowFault> listed() {
        return listed.stream().sorted(Comparator.comparing(RowFault::row)).toList();
    }

    /** How many there are. */
    public int total() {
        return total;
    }
}
