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
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.SingleWriter;

/** How many of what there are, and for which plans they lie aside. What is reserved is still on hand. */
@Component
public class Store {

    private static final int MOST_OF_ONE = 100_000;
    private static final int MOST_PLANS = 200;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final Ids ids;
    private final Clock clock;
    private final JsonMapper json;

    Store(SessionFactory sessions, SingleWriter writer, Ids ids, Clock clock, JsonMapper json) {
        this.sessions = sessions;
        this.writer = writer;
        this.ids = ids;
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
        writer.write(session -> {
            put(session, item, onHand);
            return null;
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
            return plan(existing(session, id));
        }
    }

    private static KitPlanRow existing(StatelessSession session, long id) {
        KitPlanRow row = session.get(KitPlanRow.class, id);
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
        return writer.write(session -> {
            ids.load(session, "kit_plan", "id");
            KitPlanRow row = new KitPlanRow();
            row.id = ids.next("kit_plan");
            row.state = KitPlanState.PLANNED;
            row.madeAt = clock.millis();
            row.madeBy = who;
            row.changedAt = row.madeAt;
            row.changedBy = who;
            row.payload = json.writeValueAsString(sheet);
            session.insert(row);
            return plan(row);
        });
    }

    /** Puts aside what is free of what a plan needs; of a reserved plan, what has come in since. Tools stay where they are. */
    KeptPlan reserve(long id, String who) {
        return change(id, who, KitPlanState.HANDED_OUT, "It was handed out already.", (session, row) -> {
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
        return change(id, who, KitPlanState.HANDED_OUT, "It was handed out already.", (session, row) -> {
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
        return change(id, who, KitPlanState.PLANNED, "Reserve first what is to be handed out.", (session, row) -> {
            if (row.state == KitPlanState.HANDED_OUT) {
                throw Refusal.conflict("Plan " + id + " cannot be changed so. It was handed out already.");
            }
            Map<KitItem, Stocked> stock = stock(session);
            for (KitSheet.Need need : plan(row).sheet().needs()) {
                if (need.reserved() > 0) {
                    put(session, need.item(), Math.max(0, stock.get(need.item()).onHand() - need.reserved()));
                }
            }
            row.state = KitPlanState.HANDED_OUT;
            return need -> need;
        });
    }

    private interface Change {
        UnaryOperator<KitSheet.Need> make(StatelessSession session, KitPlanRow row);
    }

    private KeptPlan change(long id, String who, KitPlanState notFrom, String why, Change change) {
        return writer.write(session -> {
            KitPlanRow row = existing(session, id);
            if (row.state == notFrom) {
                throw Refusal.conflict("Plan " + id + " cannot be changed so. " + why);
            }
            KitSheet sheet = plan(row).sheet();
            UnaryOperator<KitSheet.Need> each = change.make(session, row);
            List<KitSheet.Need> needs = new ArrayList<>(sheet.needs());
            needs.replaceAll(each);
            row.payload = json.writeValueAsString(sheet.with(needs));
            row.changedAt = clock.millis();
            row.changedBy = who;
            session.update(row);
            return plan(row);
        });
    }
}
