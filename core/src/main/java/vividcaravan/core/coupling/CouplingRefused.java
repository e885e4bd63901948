package vividcaravan.core.coupling;

/** Vehicles cannot be coupled like that. */
public final class CouplingRefused extends Exception {

    private static final long serialVersionUID = 1L;

    private final CouplingFault fault;

    CouplingRefused(CouplingFault fault) {
        super(fault.words());
        this.fault = fault;
    }

    /** What speaks against it. */
    public CouplingFault fault() {
        return fault;
    }
}
