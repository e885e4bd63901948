package vividcaravan.server.tyres;

import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.server.writer.View;

/** What the fleet asks of tyres; whoever keeps those rules says so. */
public interface TyreDemands {

    /** The rules in force. */
    TyreInspection.Rules ofTyres(View view);
}
