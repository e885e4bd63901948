package vividcaravan.server.platform;

import vividcaravan.core.alert.AlertWords;

/** The units of whoever is asking. */
public interface ReaderUnits {

    /** Words in the units of the person behind the present request; kPa and °C for machines. */
    AlertWords words();
}
