package vividcaravan.core.judge.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MemoryTest {

    private enum Colour {
        RED,
        BLUE
    }

    /** A rule that remembers one of each. */
    private static final class Rule {
        private boolean isOn;
        private long at = Long.MIN_VALUE / 2;
        private int count;
        private double kpa = Double.NaN;
        private Colour colour;
        private String other = "";
        private final long[] last = {1, 2, 3};
        private double[] sums = {};

        void remember(Memory memory) {
            isOn = memory.flag("isOn", isOn);
            at = memory.time("at", at);
            count = memory.count("count", count);
            kpa = memory.figure("kpa", kpa);
            colour = memory.choice("colour", Colour.class, colour);
            other = memory.word("other", other);
            memory.slots("last", last);
            sums = memory.figures("sums", sums);
        }

        Memory memory() {
            Memory memory = Memory.blank();
            remember(memory);
            return memory;
        }
    }

    private static Rule taught() {
        Rule rule = new Rule();
        rule.isOn = true;
        rule.at = 1_700_000_000_000L;
        rule.count = 7;
        rule.kpa = 812.25;
        rule.colour = Colour.BLUE;
        rule.other = "2LO";
        rule.last[1] = 20;
        rule.sums = new double[] {0.5, -0.25};
        return rule;
    }

    @Test
    void whatIsWrittenIsTakenUpAsItWas() {
        Rule after = new Rule();
        after.remember(Memory.of(taught().memory().values()));

        assertThat(after).usingRecursiveComparison().isEqualTo(taught());
    }

    @Test
    void whatIsNotStoredStaysAndWhatNobodyAsksForIsPassedOver() {
        Rule after = taught();
        after.remember(Memory.of(Map.of("count", 8, "unheardOf", List.of(1, 2))));

        Rule expected = taught();
        expected.count = 8;
        assertThat(after).usingRecursiveComparison().isEqualTo(expected);
    }

    @Test
    void numbersAreTakenUpWhateverWidthAFormatGaveThem() {
        Rule after = new Rule();
        after.remember(Memory.of(Map.of("at", 5, "kpa", 800, "last", List.of(9L, 8), "sums", List.of(1, 2.5f))));

        assertThat(after.at).isEqualTo(5);
        assertThat(after.kpa).isEqualTo(800.0);
        assertThat(after.last).containsExactly(9, 8, 3);
        assertThat(after.sums).containsExactly(1, 2.5);
    }

    @Test
    void aKindThatIsNoLongerThereAndAValueOfAnotherSortDoNoHarm() {
        Rule after = taught();
        after.remember(Memory.of(Map.of("colour", "GREEN", "isOn", "yes", "at", "then")));

        assertThat(after.colour).isNull();
        assertThat(after.isOn).isTrue();
        assertThat(after.at).isEqualTo(1_700_000_000_000L);
    }

    @Test
    void whatIsAsInOneThatHasSeenNothingIsLeftOutAndComesBack() {
        Rule rule = new Rule();
        rule.count = 3;
        rule.kpa = 805;
        Memory memory = Memory.blank();
        rule.remember(memory.part("rule"));
        Memory nothing = Memory.blank();
        new Rule().remember(nothing.part("rule"));

        memory.leaveOut(nothing);

        assertThat(memory.values()).isEqualTo(Map.of("rule", Map.of("count", 3, "kpa", 805.0)));
        Rule after = new Rule();
        after.remember(Memory.of(memory.values()).part("rule"));
        assertThat(after).usingRecursiveComparison().isEqualTo(rule);
    }

    @Test
    void partsAreTakenUpAsManyAsAreStored() {
        Memory memory = Memory.blank();
        List<Memory> parts = memory.parts("stays", 2);
        parts.get(0).count("n", 1);
        parts.get(1).count("n", 2);

        List<Memory> stored = Memory.of(memory.values()).parts("stays", 0);

        assertThat(stored).extracting(part -> part.count("n", 0)).containsExactly(1, 2);
    }
}
