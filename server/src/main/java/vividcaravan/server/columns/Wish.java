package vividcaravan.server.columns;

import java.time.ZoneId;
import vividcaravan.core.units.PressureUnit;

/**
 * How a table is to be taken.
 *
 * @param pressure what its pressures are in
 * @param zone whose clock its times are by, where they do not say
 * @param isUpdate whether what exists may be changed
 * @param address the address under which this was asked
 * @param owner the person for whom whoever sends it speaks
 * @param who who takes it in: a user name
 */
public record Wish(PressureUnit pressure, ZoneId zone, boolean isUpdate, String who, String owner, String address) {}
