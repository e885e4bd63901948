package vividcaravan.server.receivers;

import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** What people say of receivers: what each is and where. */
@Component
class ReceiverPlacing {

    private final Receivers receivers;
    private final SingleWriter writer;

    ReceiverPlacing(Receivers receivers, SingleWriter writer) {
        this.receivers = receivers;
        this.writer = writer;
    }

    /**
     * Somebody says what and where a receiver is; what was heard by it stays.
     *
     * @param words for the logbook, after the author's name
     */
    void describe(KnownReceiver wanted, String words) {
        writer.make(view -> Decision.make(pen -> {
            KnownReceiver before = receivers.find(wanted.name()).orElse(KnownReceiver.named(wanted.name()));
            KnownReceiver after = new KnownReceiver(
                    wanted.name(),
                    wanted.kind(),
                    wanted.vehicle(),
                    false,
                    wanted.depot(),
                    wanted.place(),
                    wanted.power(),
                    before.firstHeardAt(),
                    before.lastHeardAt(),
                    before.readings());
            receivers.place(after);
            pen.session().upsert(ReceiverRow.of(after));
            Deed deed = Deed.of(DeedKind.RECEIVER_PLACED, thing(after.name()), words);
            return Done.by(after.vehicle() == null ? deed : deed.at(after.vehicle()));
        }));
    }

    /**
     * Forgets one that is gone. It is known again once it is heard.
     *
     * @throws Refusal if there is none
     */
    void forget(String name) {
        writer.make(view -> {
            if (receivers.find(name).isEmpty()) {
                throw Refusal.notFound("There is no receiver \"" + name + "\".");
            }
            return Decision.make(pen -> {
                receivers.forget(name);
                return Done.by(Deed.of(DeedKind.RECEIVER_FORGOTTEN, thing(name), "forgot receiver " + name));
            });
        });
    }

    private static Thing thing(String name) {
        return new Thing(Thing.Kind.RECEIVER, name, name);
    }
}
