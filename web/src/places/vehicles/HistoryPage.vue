<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { readingsAddress, useVehicleDays } from '@/api/history';
import { useSession } from '@/api/session';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { placeWords } from '@/shared/position';
import { dated } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { daysPlot, HEIGHT, lowestDay, rangeOf, WIDTH } from './daysPlot';

/** The pressures of a vehicle day by day, to be printed and handed over; legible without colours. */
const props = defineProps<{ vehicleRef: string }>();
const units = useUnits();
const { preferences } = useSession();
const span = ref('30');
const SPANS = [
  { value: '14', words: 'two weeks' },
  { value: '30', words: '30 days' },
  { value: '90', words: 'three months' },
];
const { data, error, isFetching } = useVehicleDays(
  () => props.vehicleRef,
  () => Number(span.value),
);
const from = computed(() => Date.parse(data.value?.from ?? ''));
const to = computed(() => from.value + Number(span.value) * 86_400_000);
const range = computed(() => rangeOf(data.value?.wheels ?? []));
const wheels = computed(
  () =>
    data.value?.wheels.map((wheel) => ({
      wheel,
      plot: daysPlot(wheel, from.value, to.value, range.value),
      lowest: lowestDay(wheel),
    })) ?? [],
);
const dayWords = (at: string) => dated(at).split(',')[0];
const print = () => window.print();
</script>

<template>
  <div class="max-w-6xl px-5 py-4">
    <p class="print:hidden">
      <RouterLink class="way" :to="{ name: 'vehicle', params: { vehicleRef } }"
        >‹ {{ vehicleRef }}</RouterLink
      >
    </p>
    <h1 class="mt-1 text-xl">
      Pressures of <span class="figure">{{ vehicleRef }}</span>
    </h1>
    <div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2 print:hidden">
      <ChoiceRow v-model="span" label="Over" :choices="SPANS" />
      <button type="button" class="button min-h-11" @click="print">Print</button>
      <a
        v-if="data"
        class="way min-h-11 content-center"
        :href="readingsAddress(vehicleRef, data.from, preferences)"
        download
        >Every reading as a table</a
      >
    </div>
    <p v-if="error && !data" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="!data" class="mt-3 text-quiet">Reckoning the days …</p>
    <div v-else :class="{ 'opacity-60': isFetching }" :aria-busy="isFetching">
      <p class="mt-3">
        {{ dayWords(data.from) }} to {{ dated(data.to) }}, days by the clock of {{ data.timeZone }};
        everything at {{ units.reference.value }}.
      </p>
      <p class="text-quiet">
        A bar is a day from its lowest to its highest, its dot the mean. Full line: the target now; dashes:
        first limit; dots: second. All wheels have one scale, {{ units.pressureWords(range[0]) }} to
        {{ units.pressureWords(range[1]) }}.
      </p>
      <ul class="mt-3 grid gap-x-8 gap-y-5 sm:grid-cols-2 lg:grid-cols-3 print:grid-cols-2">
        <li v-for="{ wheel, plot, lowest } in wheels" :key="wheel.position" class="break-inside-avoid">
          <p class="flex flex-wrap items-baseline gap-x-3">
            <span class="figure font-semibold">{{ wheel.position }}</span>
            <span class="text-quiet">{{ placeWords(wheel.position) }}</span>
          </p>
          <svg
            :viewBox="`-1 -1 ${WIDTH + 2} ${HEIGHT + 2}`"
            class="mt-1 block w-full border-y border-rule"
            role="img"
            :aria-label="
              lowest
                ? `${wheel.days.length} days, the lowest ${units.pressureWords(lowest.kpa)} on ${dayWords(lowest.at)}`
                : 'nothing was heard'
            "
          >
            <g stroke="currentColor" stroke-width="1" fill="none" vector-effect="non-scaling-stroke">
              <line x1="0" :x2="WIDTH" :y1="plot.target" :y2="plot.target" opacity="0.7" />
              <line x1="0" :x2="WIDTH" :y1="plot.low" :y2="plot.low" stroke-dasharray="8 4" />
              <line x1="0" :x2="WIDTH" :y1="plot.critical" :y2="plot.critical" stroke-dasharray="1.5 3.5" />
            </g>
            <g v-for="mark in plot.marks" :key="mark.x" stroke="currentColor" fill="currentColor">
              <line
                :x1="mark.x"
                :x2="mark.x"
                :y1="mark.low"
                :y2="mark.high"
                stroke-width="2"
                opacity="0.45"
              />
              <circle :cx="mark.x" :cy="mark.mean" r="1.8" stroke="none" />
            </g>
          </svg>
          <p class="text-sm">
            target <span class="figure">{{ units.pressureWords(wheel.targetKpa) }}</span><template
              v-if="lowest"
              >; lowest day <span class="figure">{{ units.pressureWords(lowest.kpa) }}</span>,
              {{ dayWords(lowest.at) }}</template
            ><template v-else>; nothing was heard</template>
          </p>
        </li>
      </ul>
      <p class="mt-4 text-sm text-quiet">
        As far as tyre sensors tell. A cold hand gauge, the makers’ data and local law go first.
      </p>
    </div>
  </div>
</template>
