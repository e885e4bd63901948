package vividcaravan.server.stores;

import java.util.List;
import vividcaravan.core.axles.MountKind;

/** How vehicles are to be equipped; see {@link vividcaravan.core.planning.KitPlanner}. */
record KitPlanWish(List<MountKind> preference, boolean tyresComeOff, int sparePercent) {}
