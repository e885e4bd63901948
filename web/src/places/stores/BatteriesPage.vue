<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useBatteryVisits } from '@/api/due';
import { vStacked } from '@/shared/stacked';
import { calendarDay } from '@/shared/time';
import { byMonth, monthName, monthOf } from './batteries';

/** When sensors' cells end: a year by month and depot, and the visits that change them. */
const { data: visits, error } = useBatteryVisits();
const depot = ref('');
const depots = computed(() => [...new Set((visits.value ?? []).map((one) => one.depot ?? ''))].sort());
const shown = computed(() => (visits.value ?? []).filter((one) => !depot.value || one.depot === depot.value));
const year = computed(() => byMonth(visits.value ?? [], new Date()));
const print = () => window.print();
const range = (cell: { earliest: string; latest: string }) => {
  const [from, to] = [monthOf(cell.earliest), monthOf(cell.latest)];
  return from === to ? monthName(from) : `${monthName(from)} to ${monthName(to)}`;
};
</script>

<template>
  <section aria-label="Batteries">
    <p v-if="error && !visits" role="alert" class="text-next">{{ error.message }}</p>
    <p v-else-if="!visits" class="text-quiet">Fetching …</p>
    <template v-else>
      <p class="max-w-2xl text-quiet">
        From what each cell gives when warm, how fast that falls, its age, its kind and how often it speaks;
        as a range, since a lithium cell says little of its age until near its end. The maker’s figure goes
        first.
      </p>
      <p v-if="!visits.length" class="mt-3">No sensor sits at a wheel yet.</p>
      <template v-else>
        <h2 class="mt-4 text-base">The next twelve months</h2>
        <table class="mt-1 w-full max-w-4xl">
          <caption class="spoken">
            Cells to be changed, by depot and month
          </caption>
          <thead class="text-quiet">
            <tr class="border-b border-rule">
              <th scope="col" class="py-1 font-normal">Depot</th>
              <th
                v-for="month in year.months"
                :key="month"
                scope="col"
                class="text-right font-normal max-sm:hidden"
                :aria-label="monthName(month)"
              >
                {{ monthName(month).slice(0, 3) }}
              </th>
              <th scope="col" class="text-right font-normal">Later</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in year.rows" :key="row.depot" class="border-b border-rule">
              <th scope="row" class="py-1.5 font-medium">
                {{ row.depot || 'No depot' }}
                <span v-if="row.next" class="block text-quiet sm:hidden"
                  >next: {{ row.next.count }} in {{ monthName(row.next.month) }}</span
                >
              </th>
              <td v-for="month in year.months" :key="month" class="figure text-right max-sm:hidden">
                {{ row.counts.get(month) ?? '' }}
              </td>
              <td class="figure text-right text-quiet">{{ row.later || '' }}</td>
            </tr>
          </tbody>
        </table>

        <div class="mt-6 flex flex-wrap items-end gap-3">
          <h2 class="mr-auto text-base">Visits</h2>
          <label v-if="depots.length > 1" class="print:hidden"
            >Depot
            <select v-model="depot" class="field mt-0.5 block w-52">
              <option value="">every depot</option>
              <option v-for="one in depots" :key="one" :value="one">{{ one || 'No depot' }}</option>
            </select>
          </label>
          <a class="way print:hidden" href="/api/v1/battery-visits.csv" download>As a table (CSV)</a>
          <button type="button" class="button print:hidden" @click="print">Print</button>
        </div>
        <details
          v-for="(visit, i) in shown"
          :key="`${visit.depot} ${visit.on}`"
          class="border-b border-rule py-2"
          :open="i === 0"
        >
          <summary class="cursor-pointer">
            <strong class="font-semibold">{{ visit.depot ?? 'No depot' }}</strong>, by
            {{ calendarDay(visit.on) }}:
            <span class="figure">{{ visit.cells.length }}</span>
            {{ visit.cells.length === 1 ? 'cell' : 'cells' }}
            <span v-if="visit.isBeforeCold" class="text-quiet">, before weak ones sag in the cold</span>
          </summary>
          <table v-stacked class="mt-1 w-full max-w-4xl [&_td]:pr-4 [&_th]:pr-4">
            <thead class="text-quiet">
              <tr class="border-b border-rule">
                <th scope="col" class="py-1 font-normal">Wheel</th>
                <th scope="col" class="font-normal">Sensor</th>
                <th scope="col" class="text-right font-normal">Warm, V</th>
                <th scope="col" class="font-normal">Ends</th>
                <th scope="col" class="font-normal">By</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="cell in visit.cells" :key="cell.sensor" class="border-b border-rule">
                <th scope="row" class="figure py-1 font-medium">
                  <RouterLink
                    :to="{
                      name: 'vehicle',
                      params: { vehicleRef: cell.vehicle },
                      query: { wheel: cell.position },
                    }"
                    >{{ cell.vehicle }} {{ cell.position }}</RouterLink
                  >
                </th>
                <td class="figure">{{ cell.sensor }}</td>
                <td class="figure text-right">
                  {{ typeof cell.warmMv === 'number' ? (cell.warmMv / 1000).toFixed(2) : 'not said' }}
                </td>
                <td>{{ range(cell) }}</td>
                <td class="text-quiet">{{ cell.basis }}</td>
              </tr>
            </tbody>
          </table>
        </details>
      </template>
    </template>
  </section>
</template>
