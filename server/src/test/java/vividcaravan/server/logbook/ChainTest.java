package vividcaravan.server.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;

/**
 * The chain against an independent computation: the same entries written with the JSON module of Python's standard library,
 * {@code json.dumps(entry, sort_keys=True, separators=(",", ":"), ensure_ascii=False)}, which for texts and whole numbers is
 * the form of RFC 8785, and hashed with its hashlib.
 */
class ChainTest {

    private static final Deed STATE = Deed.of(
                    DeedKind.VEHICLE_STATE_CHANGED,
                    new Thing(Thing.Kind.VEHICLE, "12", "LM-07"),
                    "set down that LM-07 is out of service")
            .at(12)
            .with("State", "in service", "out of service")
            .because("gearbox – \"at the maker\"\nuntil Thursday");

    private static final Deed ALERT = Deed.of(
                    DeedKind.ALERT_RAISED,
                    new Thing(Thing.Kind.ALERT, "3", "LM-07 2LO"),
                    "raised “slow leak” at LM-07 2LO: Next safe stop")
            .at(12, "2LO");

    @Test
    void hashesAsAnIndependentProgramDoes() {
        LogbookEntry first = Chain.link(
                1,
                Instant.parse("2026-11-20T06:31:07.125Z"),
                Author.person("marrable", "I. Marrable"),
                STATE,
                Chain.BEGINNING);
        LogbookEntry second = Chain.link(2, Instant.parse("2026-11-20T06:31:08Z"), Author.JUDGE, ALERT, first.hash());

        assertThat(first.hash()).isEqualTo("76b0570b11632f7bc461ee83d06c6d470978e2a8fc05cc2bbd9adeaf55c75384");
        assertThat(second.hash()).isEqualTo("371919753b9c5f93bf0e70e2e6cff774a3dca13ace08cb157df04ad6c38c28ae");
    }

    @Test
    void anEntryIsTheSameAfterItWasStored() {
        LogbookEntry entry = Chain.link(
                7, Instant.parse("2026-11-20T06:31:07.125Z"), Author.token("gate east"), STATE, "ab".repeat(32));

        assertThat(LogbookRow.of(entry).entry("ab".repeat(32))).isEqualTo(entry);
        assertThat(Chain.hash(LogbookRow.of(entry).entry("ab".repeat(32)))).isEqualTo(entry.hash());
    }

    /** A control character or half a character would be written differently by different programs. */
    @Test
    void whatEveryProgramWritesDifferentlyNeverComesIn() {
        Deed odd = STATE.because("a\u0000b\tc\uD800d");

        assertThat(odd.why()).isEqualTo("a b c?d");
    }

    @Test
    void whatIsTooLongIsCutAndSaysSo() {
        Deed wordy = STATE.because("x".repeat(5_000));

        assertThat(wordy.why()).hasSize(2_000).endsWith("…");
    }
}
