<script setup lang="ts">
import { computed } from 'vue';
import { useRoundOutcome } from '@/api/rounds';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';
import { useUnits } from '@/shared/units';

/** What the air of an ended round was good for: what its wheels would have shown on the coldest morning since. */
const props = defineProps<{ id: string; isEnded: boolean }>();
const units = useUnits();
const { data: outcome } = useRoundOutcome(
  () => props.id,
  () => props.isEnded,
);

const words = computed(() => {
  const of = outcome.value;
  if (!of?.wheels.length || of.coldestC === null || of.coldestC === undefined) return '';
  const cold = `The coldest since was ${units.temperatureWords(of.coldestC)}.`;
  const wheels = of.spared === 1 ? 'One wheel' : `${of.spared} wheels`;
  return of.spared
    ? `${cold} ${wheels} would have been below the first limit then, and ${of.spared === 1 ? 'was' : 'were'} not.`
    : `${cold} No wheel that was set would have been below its first limit then.`;
});
const shown = computed(
  () => outcome.value?.wheels.filter((wheel) => wheel.wasSpared || wheel.isStillBelow) ?? [],
);
</script>

<template>
  <section v-if="words" class="mt-6" aria-label="What the round prevented">
    <h2 class="text-base">What it prevented</h2>
    <p>{{ words }}</p>
    <SidewaysScroll v-if="shown.length" label="Wheels on the coldest morning since">
      <table v-stacked class="mt-1 w-full [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Wheel</th>
            <th scope="col" class="text-right font-normal">Coldest</th>
            <th scope="col" class="text-right font-normal">Without this round</th>
            <th scope="col" class="text-right font-normal">With it</th>
            <th scope="col" class="text-right font-normal">First limit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="one.vehicle + one.position" class="border-b border-rule">
            <th scope="row" class="figure py-1.5 font-medium">{{ one.vehicle }} {{ one.position }}</th>
            <td class="figure text-right">{{ units.temperatureWords(one.coldestC) }}</td>
            <td class="figure text-right">{{ units.pressureWords(one.withoutKpa) }}</td>
            <td class="figure text-right" :class="{ 'font-semibold text-next': one.isStillBelow }">
              {{ units.pressureWords(one.withKpa) }}{{ one.isStillBelow ? ', still below' : '' }}
            </td>
            <td class="figure text-right">{{ units.pressureWords(one.lowKpa) }}</td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <p v-if="outcome?.unknown" class="mt-1 text-quiet">
      {{ outcome.unknown === 1 ? 'Of one wheel' : `Of ${outcome.unknown} wheels` }} nobody can tell: what the
      hand gauge showed before and after was not written down, or nothing was heard since.
    </p>
  </section>
</template>
