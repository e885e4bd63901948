<script setup lang="ts">
import { computed } from 'vue';
import type { LimitPreview } from '@/api/limits';
import { useUnits } from '@/shared/units';
import { axlesWords } from './ruler';
import { vStacked } from '@/shared/stacked';

/** What a change of limits comes to: axles, and the wheels that would be outside or back in band. */
const props = defineProps<{ preview: LimitPreview }>();

const isTargetMoved = computed(() =>
  props.preview.axles.some((one) => one.before.targetKpa !== one.after.targetKpa),
);

const units = useUnits();
const wheelsWords = (count: number) => (count ? `${count} ${count === 1 ? 'wheel' : 'wheels'}` : 'no wheel');
const change = (before: number, after: number) =>
  before === after
    ? units.pressureNumber(after)
    : `${units.pressureNumber(before)} → ${units.pressureNumber(after)}`;
</script>

<template>
  <div role="status">
    <p v-for="fault in preview.faults.slice(0, 8)" :key="`${fault.vehicle}${fault.axle}`" class="text-stop">
      <span class="figure">{{ fault.vehicle }}</span> axle {{ fault.axle }}: {{ fault.message }}
    </p>
    <p v-if="!preview.faults.length">
      {{ axlesWords(preview.axles.length) }} {{ preview.axles.length === 1 ? 'changes' : 'change' }}. By the
      latest readings {{ wheelsWords(preview.opens.length) }} would be newly outside, and
      {{ wheelsWords(preview.closes.length) }} back in band.
    </p>
    <ul v-if="preview.opens.length" class="mt-1">
      <li v-for="one in preview.opens.slice(0, 12)" :key="`${one.vehicle}${one.position}`" class="text-next">
        <span class="figure">{{ one.vehicle }}</span> {{ one.words }}
      </li>
    </ul>
    <ul v-if="preview.closes.length" class="mt-1">
      <li
        v-for="one in preview.closes.slice(0, 12)"
        :key="`${one.vehicle}${one.position}`"
        class="text-quiet"
      >
        <span class="figure">{{ one.vehicle }}</span> {{ one.words }}
      </li>
    </ul>
    <table
      v-stacked
      v-if="preview.axles.length"
      class="mt-3 w-full [&_td]:py-0.5 [&_td]:pr-3 [&_th]:pr-3 [&_th]:align-bottom"
    >
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th class="font-normal">Axle</th>
          <th v-if="isTargetMoved" class="font-normal">Target</th>
          <th class="font-normal">Second limit</th>
          <th class="font-normal">First limit</th>
          <th class="font-normal">Over</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in preview.axles.slice(0, 20)"
          :key="`${one.vehicle}${one.axle}`"
          class="border-b border-rule"
        >
          <td class="figure whitespace-nowrap">{{ one.vehicle }} {{ one.axle }}</td>
          <td v-if="isTargetMoved" class="figure">
            {{ change(one.before.targetKpa, one.after.targetKpa) }}
          </td>
          <td class="figure">{{ change(one.before.lowCriticalKpa, one.after.lowCriticalKpa) }}</td>
          <td class="figure">{{ change(one.before.lowKpa, one.after.lowKpa) }}</td>
          <td class="figure">{{ change(one.before.highKpa, one.after.highKpa) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="preview.axles.length > 20" class="text-quiet">and {{ preview.axles.length - 20 }} more axles</p>
  </div>
</template>
