package vividcaravan.server.team;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Invitations;
import vividcaravan.server.access.Role;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.SheetFaults;
import vividcaravan.server.columns.SheetKind;
import vividcaravan.server.columns.SheetRow;
import vividcaravan.server.columns.Wish;
import vividcaravan.server.writer.View;

/** A table of people, who are invited by mail. */
@Component
class PeopleSheet implements SheetKind {

    private final Invitations invitations;
    private final LinkAddress links;
    private final Accounts accounts;

    PeopleSheet(Invitations invitations, LinkAddress links, Accounts accounts) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.links = links;
    }

    @Override
    public String name() {
        return "PEOPLE";
    }

    @Override
    public String words() {
        return "people to invite";
    }

    @Override
    public List<Field> fields() {
        return List.of(
                new Field("email", "E-mail", true, List.of("mail", "emailaddress", "address")),
                new Field("role", "Role", true, List.of("right", "rights")));
    }

    @Override
    public Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish) {
        List<Invitations.Invited> invited = new ArrayList<>();
        Set<String> taken = invitations.taken(view);
        Map<String, Long> seen = new HashMap<>();
        for (SheetRow row : rows) {
            String email = row.needed("email", 254);
            row.needed("role", 40);
            Role role = row.choice("role", Role.class);
            if (email == null || role == null) {
                continue;
            }
            Long other = seen.putIfAbsent(email.toLowerCase(Locale.ROOT), row.number());
            if (other != null) {
                row.fault("email", email + " stands in row " + other + " too.");
                continue;
            }
            Invitations.Invited one = new Invitations.Invited(email, role);
            String why = invitations.refusal(one, taken);
            if (why == null) {
                invited.add(one);
            } else {
                row.fault("email", why);
            }
        }
        links.refusal().ifPresent(why -> faults.add(0, "", why));
        return new Prepared(
                List.of(invited.size() + " people get a letter with a link to join"),
                pen -> invitations.inviteAll(pen, invited, wish.owner(), links.of(wish.address())));
    }

    @Override
    public List<List<@Nullable Object>> rows(View view, PressureUnit unit) {
        List<List<@Nullable Object>> rows = new ArrayList<>();
        accounts.all().stream()
                .filter(account -> account.removedAt() == null && account.email() != null)
                .forEach(account -> rows.add(
                        Arrays.asList(account.email(), account.account().role().name())));
        return rows;
    }
}
