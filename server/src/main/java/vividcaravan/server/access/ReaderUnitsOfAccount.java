package vividcaravan.server.access;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.server.platform.ReaderUnits;

/** People read in the units they chose, machines in kPa and °C. */
@Component
class ReaderUnitsOfAccount implements ReaderUnits {

    private final Accounts accounts;

    ReaderUnitsOfAccount(Accounts accounts) {
        this.accounts = accounts;
    }

    @Override
    public AlertWords words() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who == null || !(who.getPrincipal() instanceof SignedIn signedIn)) {
            return AlertWords.METRIC;
        }
        return accounts.find(signedIn.userName())
                .map(Account::preferences)
                .map(p -> new AlertWords(p.pressureUnit(), p.temperatureUnit()))
                .orElse(AlertWords.METRIC);
    }
}
