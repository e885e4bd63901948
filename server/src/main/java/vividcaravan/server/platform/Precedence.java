package vividcaravan.server.platform;

/**
 * Which threads go first where there is more to do than the cores can. Hundreds of requests may want to be answered at once;
 * with one share for each thread the one that keeps and judges readings would get one share of hundreds, and readings would
 * wait for seconds. The start script lets the system heed these priorities, which Java by itself does not ask it to.
 */
public final class Precedence {

    /** The single writer. Above others only where the system lets this process raise a thread. */
    public static final int WRITER = Thread.MAX_PRIORITY;
    /** Requests: a little behind everything that is done for all. */
    public static final int REQUESTS = Thread.NORM_PRIORITY - 1;
    /** News for pages: one thread for each, and often all of them at once. */
    public static final int NEWS = Thread.MIN_PRIORITY;

    private Precedence() {}
}
