package vividcaravan.server.tyres;

import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.tyres.Retorque;
import vividcaravan.server.writer.View;

/** What the fleet asks of tyres and of the nuts of their wheels; whoever keeps those rules says so. */
public interface TyreDemands {

    /** The rules in force. */
    TyreInspection.Rules ofTyres(View view);

    /** When wheel nuts are to be tightened again. */
    Retorque.Rule ofNuts(View view);
}
