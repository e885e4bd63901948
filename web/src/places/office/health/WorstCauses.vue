<script setup lang="ts">
import { RouterLink, type RouteLocationRaw } from 'vue-router';
import type { HealthCause } from '@/api/health';
import { kindWords } from '@/shared/urgency';
import { vStacked } from '@/shared/stacked';

/** What causes most calls, each with what would have to change and the way there. */
defineProps<{
  title: string;
  causes: HealthCause[];
  name: (cause: HealthCause) => string;
  isKinds?: boolean;
}>();

const ways: Record<HealthCause['remedy'], (cause: HealthCause) => [RouteLocationRaw, string]> = {
  LEAK: (cause) => [vehicleOf(cause), 'Its readings'],
  HEAT: (cause) => [vehicleOf(cause), 'Its readings'],
  ROUND: () => [{ name: 'workshop' }, 'Begin a round'],
  SENSOR: (cause) => [vehicleOf(cause), 'Its sensors'],
  MAP: (cause) => [vehicleOf(cause), 'Its sensors'],
  RECEIVER: () => [{ name: 'receivers' }, 'Receivers'],
  WALK: (cause) => [vehicleOf(cause), 'The vehicle'],
  LIMIT: () => [{ name: 'limits' }, 'Limits'],
};
const vehicleOf = (cause: HealthCause): RouteLocationRaw =>
  cause.vehicle ? { name: 'vehicle', params: { vehicleRef: cause.vehicle } } : { name: 'vehicles' };
const way = (cause: HealthCause) => ways[cause.remedy](cause);
</script>

<template>
  <section v-if="causes.length" class="mt-6">
    <h2 class="text-base">{{ title }}</h2>
    <table v-stacked class="mt-1 w-full [&_td]:pr-4 [&_th]:pr-4">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 text-left font-normal">{{ isKinds ? 'What' : 'Where' }}</th>
          <th scope="col" class="text-right font-normal">Calls</th>
          <th v-if="!isKinds" scope="col" class="text-left font-normal">Mostly</th>
          <th scope="col" class="text-left font-normal">What would have to change</th>
          <th scope="col"><span class="spoken">Where to change it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cause in causes" :key="name(cause)" class="border-b border-rule">
          <th
            scope="row"
            class="py-1.5 text-left font-medium whitespace-nowrap"
            :class="{ figure: !isKinds }"
          >
            {{ name(cause) }}
          </th>
          <td class="figure text-right">{{ cause.calls }}</td>
          <td v-if="!isKinds" class="whitespace-nowrap">{{ kindWords(cause.mostly) }}</td>
          <td>{{ cause.words }}</td>
          <td class="text-right whitespace-nowrap">
            <RouterLink :to="way(cause)[0]" class="way" :aria-label="`${way(cause)[1]}: ${name(cause)}`">{{
              way(cause)[1]
            }}</RouterLink>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
