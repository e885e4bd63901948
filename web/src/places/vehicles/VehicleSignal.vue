<script setup lang="ts">
import { computed, ref } from 'vue';
import { useSignalTest } from '@/api/couplings';
import type { Schemas } from '@/api/client';
import { vStacked } from '@/shared/stacked';

/** How much of what each wheel says is heard, coupled and where the vehicle really is. */
const props = defineProps<{ vehicleRef: string }>();
const isOpen = ref(false);
const { data: test, error } = useSignalTest(() => props.vehicleRef, isOpen);

const ADVICE: Record<Schemas['SignalOfWheel']['advice'], string> = {
  GOOD: '',
  WATCH: 'more than a fifth is missing; look again after a day’s work',
  REPEATER: 'more than a fifth is missing: fit a repeater, and test again',
  UNHEARD: 'nothing is heard: look at the sensor first',
  TOO_SHORT: 'too little time on the road for a word',
};
const isOne = computed(() => new Set(test.value?.items.map((one) => one.vehicle)).size < 2);
const wanting = computed(() => test.value?.items.filter((one) => one.advice === 'REPEATER') ?? []);
const awake = computed(() => {
  const minutes = test.value?.awakeMinutes ?? 0;
  return minutes < 90 ? `${minutes} minutes` : `${Math.round(minutes / 30) / 2} hours`;
});
</script>

<template>
  <details class="print:hidden" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="cursor-pointer">
      <h2 class="inline text-base">Signal, coupled and where it really is</h2>
    </summary>
    <p v-if="error && !test" role="alert" class="mt-1 text-next">{{ error.message }}</p>
    <p v-else-if="!test" class="mt-1 text-quiet">Counting what was heard …</p>
    <template v-else>
      <p class="mt-1 max-w-2xl" role="status">
        Within the last {{ test.hours }} hours it was awake for {{ awake }}.
        <strong v-if="wanting.length" class="font-semibold text-next"
          >{{ wanting.length }} {{ wanting.length === 1 ? 'wheel misses' : 'wheels miss' }} more than a fifth
          of what {{ wanting.length === 1 ? 'it says' : 'they say' }}: fit a repeater near
          {{ wanting.map((one) => (isOne ? one.position : `${one.vehicle} ${one.position}`)).join(', ') }},
          with power there, and test again.</strong
        >
        <span v-else class="text-quiet">No wheel asks for a repeater.</span>
      </p>
      <table v-if="test.items.length" v-stacked class="mt-1 w-full max-w-3xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Wheel</th>
            <th scope="col" class="text-right font-normal">Heard</th>
            <th scope="col" class="text-right font-normal">Of</th>
            <th scope="col" class="text-right font-normal">Share</th>
            <th scope="col" class="text-right font-normal">Strength, dBm</th>
            <th scope="col" class="font-normal">What to do</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in test.items" :key="one.vehicle + one.position" class="border-b border-rule">
            <th scope="row" class="figure py-1 font-medium">
              {{ isOne ? one.position : `${one.vehicle} ${one.position}` }}
            </th>
            <td class="figure text-right">{{ one.heard }}</td>
            <td class="figure text-right">{{ one.expected || '' }}</td>
            <td class="figure text-right">
              {{ typeof one.share === 'number' ? `${Math.round(one.share * 100)} %` : '' }}
            </td>
            <td class="figure text-right">{{ one.rssiDbm ?? '' }}</td>
            <td :class="one.advice === 'REPEATER' ? 'text-next' : 'text-quiet'">{{ ADVICE[one.advice] }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </details>
</template>
