<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink, type RouteLocationRaw } from 'vue-router';
import { useDueWork, type DueEntry } from '@/api/due';
import { useSession } from '@/api/session';
import { dated } from '@/shared/time';
import { dueGroups } from './due';

/** What comes due when, whatever it comes from: nuts, inspections, batteries, treads, gauges. */
const { data: due, error } = useDueWork();
const { isManager } = useSession();
const depot = ref('');
const depots = computed(() =>
  [
    ...new Set(due.value?.map((one) => one.depot).filter((name) => name !== undefined && name !== null)),
  ].sort(),
);
const groups = computed(() => dueGroups(due.value ?? [], depot.value));
const day = (time: string) => dated(time).split(',')[0];
const print = () => window.print();

const way = (one: DueEntry): RouteLocationRaw =>
  one.tyre
    ? { name: 'tyre', params: { id: one.tyre } }
    : !one.vehicle
      ? { name: 'hand-gauges' }
      : { name: 'vehicle', params: { vehicleRef: one.vehicle } };
</script>

<template>
  <div class="max-w-7xl px-5 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/workshop">‹ Workshop</RouterLink></p>
    <div class="mt-1 flex flex-wrap items-baseline gap-3">
      <h1 class="text-xl">What comes due</h1>
      <a class="way ml-auto print:hidden" href="/api/v1/due-work.csv" download>As a table (CSV)</a>
      <button type="button" class="button print:hidden" @click="print">Print</button>
    </div>
    <p class="text-quiet">
      Wheel nuts, inspections, batteries, treads and hand gauges, with the day by which each is to be done.
    </p>
    <p v-if="error && !due" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="!due" class="mt-3 text-quiet">Fetching …</p>
    <template v-else>
      <label v-if="depots.length > 1" class="mt-3 block print:hidden"
        >Depot
        <select v-model="depot" class="field mt-0.5 block w-56">
          <option value="">every depot</option>
          <option v-for="one in depots" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <p v-if="!due.length" class="mt-3">
        Nothing comes due. Wheels that are moved, treads that are read and batteries that sag are put here by
        themselves.
      </p>
      <section v-for="group in groups" :key="group.name" class="mt-5">
        <h2 class="text-base" :class="{ 'text-next': group.name === 'Overdue' }">
          {{ group.name }} <span class="figure text-quiet">{{ group.items.length }}</span>
        </h2>
        <ul class="mt-1 border-t border-rule">
          <li
            v-for="one in group.items"
            :key="one.kind + one.thing"
            class="flex flex-wrap items-baseline gap-x-5 gap-y-0.5 border-b border-rule py-1.5"
          >
            <span class="w-24 text-quiet">{{ day(one.dueAt) }}</span>
            <RouterLink
              :to="way(one)"
              class="figure w-40 max-sm:inline-flex max-sm:min-h-11 max-sm:items-center"
              >{{ one.thing }}</RouterLink
            >
            <span class="w-24 font-medium">{{ one.kindWords }}</span>
            <span class="min-w-0 grow basis-72">{{ one.words }}</span>
            <span v-if="one.depot && !depot" class="text-quiet">{{ one.depot }}</span>
          </li>
        </ul>
      </section>
      <p v-if="isManager" class="mt-6 text-quiet print:hidden">
        For a calendar: make a token that <em>tells a calendar what comes due</em> under
        <RouterLink :to="{ name: 'receivers' }">Receivers and tokens</RouterLink>; its link can be ended and
        made anew there.
      </p>
    </template>
  </div>
</template>
