<script setup lang="ts">
import { computed, ref } from 'vue';
import { useAlertHealth } from '@/api/health';
import { alertsAddress } from '@/api/history';
import { useSession } from '@/api/session';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import SpanChoice from '@/shared/SpanChoice.vue';
import { kindWords } from '@/shared/urgency';
import WorstCauses from './WorstCauses.vue';
import { rowsOf, type FigureRow } from './figures';

/** Whether the alerts are good for anything: figures by week, and what causes most of them. */
const SPANS: [number, string][] = [
  [4, '4 weeks'],
  [8, '8 weeks'],
  [26, 'half a year'],
];
const { preferences } = useSession();
const weeks = ref(8);
const { data: health, error } = useAlertHealth(weeks);

const day = (time: string) => new Date(time).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
const rows = computed<FigureRow[]>(() => (health.value ? rowsOf(health.value) : []));
const isEmpty = computed(() => health.value?.weeks.every((week) => !week.calls && !week.standing));
const latest = computed(() => health.value?.weeks[0]);
</script>

<template>
  <p v-if="error && !health" role="alert" class="text-next">{{ error.message }}</p>
  <div v-else-if="health" class="max-w-5xl min-[1500px]:max-w-none">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
      <SpanChoice v-model="weeks" :spans="SPANS" />
      <a
        class="way min-h-6 content-center max-sm:min-h-11 print:hidden"
        :href="alertsAddress(preferences)"
        download="alerts.csv"
        >Every alert as a table (CSV)</a
      >
    </div>
    <p v-if="isEmpty" class="mt-4">
      No alert called in these weeks. Once some did, this page says whether they were worth it.
    </p>
    <template v-else>
      <SidewaysScroll label="Figures by week" class="mt-3">
        <table class="[&_td]:pl-5 [&_th]:pl-5">
          <thead class="text-quiet">
            <tr class="border-b border-rule">
              <th
                scope="col"
                class="py-1 pl-0! text-left font-normal max-sm:sticky max-sm:left-0 max-sm:bg-paper"
              >
                Week from
              </th>
              <th
                v-for="week in health.weeks"
                :key="week.from"
                scope="col"
                class="figure text-right font-normal"
              >
                {{ day(week.from) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.words" class="border-b border-rule">
              <th
                scope="row"
                class="py-1.5 pl-0! text-left font-normal whitespace-nowrap max-sm:sticky max-sm:left-0 max-sm:w-36 max-sm:min-w-36 max-sm:bg-paper max-sm:whitespace-normal"
              >
                {{ row.words
                }}<span v-if="row.bound" class="block text-sm text-quiet">well: {{ row.bound }}</span>
              </th>
              <td
                v-for="(cell, i) in row.cells"
                :key="i"
                class="figure text-right whitespace-nowrap"
                :class="
                  cell.isBad
                    ? 'font-semibold text-next'
                    : { 'text-quiet': cell.text === '0' || cell.text === '–' }
                "
              >
                {{ cell.text }}<span v-if="cell.isBad" class="spoken"> too much</span>
              </td>
            </tr>
          </tbody>
        </table>
      </SidewaysScroll>
      <p v-if="latest" class="mt-2 max-w-3xl text-quiet">
        The first week is not over. A call is an alert that opens, comes back or grows more urgent. What is
        well: common figures of alarm management, from memory; judge them for your own Desk.
      </p>

      <WorstCauses
        title="Wheels that call most"
        :causes="health.wheels"
        :name="(one) => `${one.vehicle} ${one.position}`"
      />
      <WorstCauses
        title="Vehicles that call most"
        :causes="health.vehicles"
        :name="(one) => one.vehicle ?? ''"
      />
      <WorstCauses
        title="Limits that call most"
        :causes="health.limits"
        :name="(one) => one.limit ?? ''"
        is-kinds
      />
      <WorstCauses
        title="What they call for"
        :causes="health.kinds"
        :name="(one) => kindWords(one.mostly)"
        is-kinds
      />
    </template>
  </div>
  <p v-else class="text-quiet">Counting …</p>
</template>
