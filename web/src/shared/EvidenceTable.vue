<script setup lang="ts">
import { computed } from 'vue';
import type { EvidenceChart } from '@/api/fleet';
import { changeWords } from './changes';
import { useClock } from './time';
import { useUnits } from './units';

/** Some twenty lines that tell the same as the chart, and what was done to the wheel. */
const props = defineProps<{ chart: EvidenceChart; range: [number, number] }>();

const units = useUnits();
const { at } = useClock();
const isShown = (time: string) => {
  const second = new Date(time).getTime() / 1000;
  return second >= props.range[0] && second <= props.range[1];
};
const lines = computed(() => {
  const points = props.chart.points.filter((point) => isShown(point.at));
  const step = Math.max(1, Math.ceil(points.length / 20));
  return points.filter((_, i) => (points.length - 1 - i) % step === 0);
});
const band = (time: string) => {
  const before = props.chart.siblings.filter((s) => s.at <= time).at(-1);
  return before ? `${units.pressureNumber(before.lowKpa)}–${units.pressureNumber(before.highKpa)}` : '';
};
const changes = computed(() => props.chart.changes.filter((change) => isShown(change.at)));
</script>

<template>
  <table class="mt-1 w-full max-w-2xl">
    <thead>
      <tr class="border-b border-rule">
        <th scope="col" class="font-medium text-quiet">Time</th>
        <th scope="col" class="text-right font-medium text-quiet">
          At {{ units.reference.value }}, {{ units.pressureSymbol.value }}
        </th>
        <th scope="col" class="text-right font-medium text-quiet">Others</th>
        <th scope="col" class="text-right font-medium text-quiet">Gauge, {{ units.pressureSymbol.value }}</th>
        <th scope="col" class="text-right font-medium text-quiet">{{ units.temperatureSymbol.value }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="point in lines" :key="point.at" class="border-b border-rule">
        <td>{{ at(point.at) }}</td>
        <td class="figure text-right">{{ units.pressureNumber(point.pressureAt20Kpa) }}</td>
        <td class="figure text-right text-quiet">{{ band(point.at) }}</td>
        <td class="figure text-right">{{ units.pressureNumber(point.pressureKpa) }}</td>
        <td class="figure text-right">{{ units.temperatureNumber(point.temperatureC) }}</td>
      </tr>
    </tbody>
  </table>
  <ul v-if="changes.length" class="mt-2 max-w-2xl" aria-label="What was done to the wheel">
    <li v-for="change in changes" :key="change.at + change.kind" class="border-b border-rule py-0.5">
      {{ at(change.at) }}: {{ changeWords(change, units) }}
    </li>
  </ul>
</template>
