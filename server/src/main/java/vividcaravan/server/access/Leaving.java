package vividcaravan.server.access;

import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Service;
import vividcaravan.server.platform.Refusal;

/** Takes a person off the team, with every door that they could still come in by. */
@Service
public class Leaving {

    private final Accounts accounts;
    private final ApiTokens tokens;
    private final Invitations invitations;

    Leaving(Accounts accounts, ApiTokens tokens, Invitations invitations) {
        this.accounts = accounts;
        this.tokens = tokens;
        this.invitations = invitations;
    }

    /** What becomes of the tokens of somebody who leaves. */
    public enum Tokens {
        /** They end, and what uses them is let in no more. */
        END,
        /** They go on, and belong to whoever takes the person off. */
        PASS_ON
    }

    /**
     * Takes a person off: their sessions and streams end, and the invitations they sent. Their name stays in the records.
     *
     * @param by who does it
     * @throws Refusal if it is the last manager
     */
    public void takeOff(String userName, Tokens then, String by) {
        String name = accounts.find(userName).map(Account::userName).orElse(userName);
        AtomicReference<Runnable> afterwards = new AtomicReference<>(() -> {});
        accounts.remove(
                name,
                (pen, gone) -> {
                    afterwards.set(then == Tokens.PASS_ON ? tokens.passOn(pen, gone, by) : tokens.endAllOf(pen, gone));
                    invitations.withdrawAllOf(pen, gone);
                },
                () -> afterwards.get().run());
    }
}
