package vividcaravan.server.stores;

import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.planning.KitItem;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** How many of what there are, and for which plans they lie aside. What is reserved is still on hand. */
@Component
public class Store {

    private static final int MOST_OF_ONE = 100_000;
    private static final int MOST_PLANS = 200;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Clock clock;
    private final JsonMapper json;

    Store(SessionFactory sessions, SingleWriter writer, Clock clock, JsonMapper json) {
        this.sessions = sessions;
        this.writer = writer;
        this.clock = clock;
        this.json = json;
    }

    /**
     * An item in the store.
     *
     * @param reserved how many of those on hand lie aside for plans
     */
    record Stocked(KitItem item, int onHand, int reserved) {
        int free() {
            return Math.max(0, onHand - reserved);
        }
    }

    /** Every item there is a name for, in the order of the list. */
    Map<KitItem, Stocked> stock() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return stock(session);
        }
    }

    private Map<KitItem, Stocked> stock(StatelessSession session) {
        Map<KitItem, Integer> reserved = new EnumMap<>(KitItem.class);
        session.createSelectionQuery("from KitPlanRow where state = :reserved", KitPlanRow.class)
                .setParameter("reserved", KitPlanState.RESERVED)
                .getResultList()
                .forEach(row -> plan(row)
                        .sheet()
                        .needs()
                        .forEach(need -> reserved.merge(need.item(), need.reserved(), Integer::sum)));
        Map<KitItem, Stocked> stock = new EnumMap<>(KitItem.class);
        for (KitItem item : KitItem.values()) {
            stock.put(item, new Stocked(item, 0, reserved.getOrDefault(item, 0)));
        }
        session.createSelectionQuery("from StockRow", StockRow.class)
                .getResultList()
                .forEach(row ->
                        stock.put(row.item, new Stocked(row.item, row.onHand, reserved.getOrDefault(row.item, 0))));
        return stock;
    }

    /**
     * Says how many there are, after counting.
     *
     * @throws Refusal if that is not 0 to 100000
     */
    public void count(KitItem item, int onHand) {
        if (onHand < 0 || onHand > MOST_OF_ONE) {
            throw Refusal.badRequest("onHand", "0 to " + MOST_OF_ONE + " can lie in the store, was " + onHand + ".");
        }
        writer.make(view -> {
            StockRow before = view.get(StockRow.class, item);
            return Decision.make(pen -> {
                put(pen.session(), item, onHand);
                return Done.by(Deed.of(
                                DeedKind.STOCK_COUNTED,
                                new Thing(Thing.Kind.STOCK, item.name(), item.words()),
                                "counted the stock of " + item.words())
                        .with("On hand", before == null ? 0 : before.onHand, onHand));
            });
        });
    }

    private static void put(StatelessSession session, KitItem item, int onHand) {
        StockRow row = new StockRow();
        row.item = item;
        row.onHand = onHand;
        if (session.get(StockRow.class, item) == null) {
            session.insert(row);
        } else {
            session.update(row);
        }
    }

    /** The newest plans, the newest first. */
    List<KeptPlan> plans() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session
                    .createSelectionQuery("from KitPlanRow order by id desc", KitPlanRow.class)
                    .setMaxResults(MOST_PLANS)
                    .getResultList()
                    .stream()
                    .map(this::plan)
                    .toList();
        }
    }

    /**
     * One plan.
     *
     * @throws Refusal if there is none
     */
    KeptPlan plan(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return plan(existing(View.of(session), id));
        }
    }

    private static KitPlanRow existing(View view, long id) {
        KitPlanRow row = view.get(KitPlanRow.class, id);
        if (row == null) {
            throw Refusal.notFound("There is no plan " + id + ".");
        }
        return row;
    }

    private KeptPlan plan(KitPlanRow row) {
        return new KeptPlan(
                row.id,
                row.state,
                row.madeAt,
                row.madeBy,
                row.changedAt,
                row.changedBy,
                json.readValue(row.payload, KitSheet.class));
    }

    /** Keeps a plan. */
    KeptPlan keep(KitSheet sheet, String who) {
        return writer.make(view -> Decision.make(pen -> {
            StatelessSession session = pen.session();
            KitPlanRow row = new KitPlanRow();
            row.state = KitPlanState.PLANNED;
            row.madeAt = clock.millis();
            row.madeBy = who;
            row.changedAt = row.madeAt;
            row.changedBy = who;
            row.payload = json.writeValueAsString(sheet);
            session.insert(row);
            String over = String.join(", ", sheet.vehicles());
            return new Done<>(plan(row), Deed.of(DeedKind.PLAN_KEPT, thing(row.id), "kept a kit plan for " + over));
        }));
    }

    /** Puts aside what is free of what a plan needs; of a reserved plan, what has come in since. Tools stay where they are. */
    KeptPlan reserve(long id, String who) {
        return change(
                id,
                who,
                DeedKind.PLAN_RESERVED,
                KitPlanState.HANDED_OUT,
                "It was handed out already.",
                (session, row) -> {
                    Map<KitItem, Stocked> stock = stock(session);
                    row.state = KitPlanState.RESERVED;
                    return need -> {
                        int missing = need.needed() - need.reserved();
                        int more = need.item().isTool()
                                ? 0
                                : Math.min(missing, stock.get(need.item()).free());
                        return new KitSheet.Need(need.item(), need.needed(), need.reserved() + more);
                    };
                });
    }

    /** Lets go of what lies aside. */
    KeptPlan release(long id, String who) {
        return change(
                id,
                who,
                DeedKind.PLAN_RELEASED,
                KitPlanState.HANDED_OUT,
                "It was handed out already.",
                (session, row) -> {
                    row.state = KitPlanState.PLANNED;
                    return need -> new KitSheet.Need(need.item(), need.needed(), 0);
                });
    }

    /**
     * Hands out what lies aside: it is no longer in the store.
     *
     * @throws Refusal if nothing was reserved
     */
    KeptPlan handOut(long id, String who) {
        return change(
                id,
                who,
                DeedKind.PLAN_HANDED_OUT,
                KitPlanState.PLANNED,
                "Reserve first what is to be handed out.",
                (session, row) -> {
                    if (row.state == KitPlanState.HANDED_OUT) {
                        throw Refusal.conflict("Plan " + id + " cannot be changed so. It was handed out already.");
                    }
                    Map<KitItem, Stocked> stock = stock(session);
                    for (KitSheet.Need need : plan(row).sheet().needs()) {
                        if (need.reserved() > 0) {
                            put(
                                    session,
                                    need.item(),
                                    Math.max(0, stock.get(need.item()).onHand() - need.reserved()));
                        }
                    }
                    row.state = KitPlanState.HANDED_OUT;
                    return need -> need;
                });
    }

    private static Thing thing(long id) {
        return new Thing(Thing.Kind.PLAN, Long.toString(id), "kit plan " + id);
    }

    private interface Each {
        UnaryOperator<KitSheet.Need> make(StatelessSession session, KitPlanRow row);
    }

    private KeptPlan change(long id, String who, DeedKind kind, KitPlanState notFrom, String why, Each change) {
        return writer.make(view -> {
            KitPlanRow row = existing(view, id);
            if (row.state == notFrom) {
                throw Refusal.conflict("Plan " + id + " cannot be changed so. " + why);
            }
            return Decision.make(pen -> {
                KitSheet sheet = plan(row).sheet();
                UnaryOperator<KitSheet.Need> each = change.make(pen.session(), row);
                List<KitSheet.Need> needs = new ArrayList<>(sheet.needs());
                needs.replaceAll(each);
                row.payload = json.writeValueAsString(sheet.with(needs));
                row.changedAt = clock.millis();
                row.changedBy = who;
                pen.session().update(row);
                return new Done<>(plan(row), deed(kind, id, sheet.needs(), needs));
            });
        });
    }

    private static Deed deed(DeedKind kind, long id, List<KitSheet.Need> before, List<KitSheet.Need> after) {
        String words =
                switch (kind) {
                    case PLAN_RESERVED -> "put aside what is free for kit plan " + id;
                    case PLAN_RELEASED -> "let go of what lay aside for kit plan " + id;
                    default -> "handed out what lay aside for kit plan " + id;
                };
        Deed deed = Deed.of(kind, thing(id), words);
        for (int i = 0; i < after.size(); i++) {
            KitSheet.Need need = after.get(i);
            if (kind == DeedKind.PLAN_HANDED_OUT) {
                deed = deed.with(need.item().words() + ", aside", need.reserved(), 0);
            } else {
                deed = deed.with(need.item().words() + ", aside", before.get(i).reserved(), need.reserved());
            }
        }
        return deed;
    }
}
