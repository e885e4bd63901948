package vividcaravan.server.access;

import java.util.List;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Installation;
import vividcaravan.server.platform.VividProperties;
import vividcaravan.server.writer.Followers;

/** The invented people of the demo fleet, one of each role. Their passwords are no secret, so they count in demo mode only. */
@Component
public class DemoAccounts implements SmartLifecycle {

    /** What the sign-in page offers. */
    public record Offer(String userName, String displayName, Role role, String password) {}

    /** The invented manager. */
    public static final String MANAGER = "marrable";

    /** The invented technician. */
    public static final String TECHNICIAN = "quill";

    /** The invented driver. */
    public static final String DRIVER = "tansley";

    /** One person of each role. */
    public static final List<Offer> OFFERS = List.of(
            new Offer(MANAGER, "I. Marrable", Role.MANAGER, "larkmoor-manager"),
            new Offer(TECHNICIAN, "B. Quill", Role.TECHNICIAN, "larkmoor-technician"),
            new Offer(DRIVER, "O. Tansley", Role.DRIVER, "larkmoor-driver"),
            new Offer("sedge", "P. Sedge", Role.VIEWER, "larkmoor-viewer"));

    private final Accounts accounts;
    private final boolean isDemo;
    private volatile boolean isThere;

    /** Needs the installation, which refuses a folder with real data before anything is added to it. */
    DemoAccounts(Accounts accounts, Installation installation, VividProperties properties) {
        this.accounts = accounts;
        this.isDemo = properties.demo();
    }

    /** Once the writer is there, and before anybody can sign in. */
    @Override
    public int getPhase() {
        return Followers.PHASE + 100;
    }

    @Override
    public boolean isRunning() {
        return isThere;
    }

    @Override
    public void stop() {
        isThere = false;
    }

    @Override
    public void start() {
        isThere = true;
        for (Offer offer : isDemo ? OFFERS : List.<Offer>of()) {
            if (accounts.find(offer.userName()).isEmpty()) {
                accounts.add(offer.userName(), offer.displayName(), offer.role(), offer.password());
            }
        }
    }
}
