<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useMonth } from '@/api/reports';
import { vStacked } from '@/shared/stacked';
import { wordsOf } from '@/shared/vocabulary';
import { monthsBack, spanWords } from './month';

/** A month of the fleet, to be handed over: what called, how fast it was dealt with, what tyres went through. */
const months = monthsBack(new Date(), 24);
const month = ref(months[0]?.value ?? '');
const { data, error, isFetching } = useMonth(month);
const MOST_SHOWN = 30;

const title = computed(() => months.find(({ value }) => value === month.value)?.words ?? month.value);
const kinds = computed(() =>
  Object.entries(data.value?.byKind ?? {}).sort(([, one], [, other]) => other - one),
);
const opened = computed(() => kinds.value.reduce((sum, [, count]) => sum + count, 0));
const wheels = computed(
  () =>
    data.value?.wheels.filter(({ exposure }) => exposure.under90 || exposure.under80 || exposure.hot) ?? [],
);
const figures = computed(() => {
  const week = data.value?.figures;
  if (!week) return [];
  return [
    { words: 'Alerts that were opened', value: String(opened.value) },
    { words: 'Until somebody saw one, in the middle', value: spanWords(week.minutesToSeen) },
    { words: 'Until somebody did something about it', value: spanWords(week.minutesToAct) },
    { words: 'Until readings or an inspection proved it settled', value: spanWords(week.minutesToProof) },
    { words: 'Calls in an hour', value: week.perHour.toFixed(2) },
    { words: 'Share of the time in a flood of alerts', value: `${(week.floodShare * 100).toFixed(1)} %` },
    { words: 'Alerts that came and went', value: String(week.chattering) },
    { words: 'Open for more than a day at its end', value: String(week.standing) },
  ];
});
const hours = (count: number) => `${count.toLocaleString('en-GB')} h`;
const print = () => window.print();
</script>

<template>
  <section aria-label="A month of the fleet">
    <div class="flex flex-wrap items-end gap-4 print:hidden">
      <label
        >Month
        <select v-model="month" class="field mt-0.5 block">
          <option v-for="one in months" :key="one.value" :value="one.value">{{ one.words }}</option>
        </select>
      </label>
      <button type="button" class="button min-h-11" @click="print">Print</button>
      <RouterLink class="way min-h-11 content-center" to="/office/alert-health"
        >What causes most alerts</RouterLink
      >
    </div>
    <p v-if="error" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="!data" class="mt-3 text-quiet">Reckoning the month …</p>
    <div v-else class="max-w-4xl" :class="{ 'opacity-60': isFetching }" :aria-busy="isFetching">
      <h2 class="mt-4 text-xl">{{ title }}</h2>
      <p class="text-quiet">{{ data.vehicles }} vehicles are in the fleet now.</p>

      <div class="mt-3 grid gap-x-10 gap-y-6 md:grid-cols-2">
        <section aria-labelledby="month-alerts">
          <h3 id="month-alerts" class="font-semibold">Alerts</h3>
          <dl class="mt-1 border-t border-rule">
            <div
              v-for="one in figures"
              :key="one.words"
              class="flex justify-between gap-4 border-b border-rule py-1"
            >
              <dt>{{ one.words }}</dt>
              <dd class="figure shrink-0 text-right">{{ one.value }}</dd>
            </div>
          </dl>
        </section>
        <section aria-labelledby="month-kinds">
          <h3 id="month-kinds" class="font-semibold">What they were</h3>
          <p v-if="!kinds.length" class="mt-1 text-quiet">None was opened.</p>
          <dl v-else class="mt-1 border-t border-rule">
            <div
              v-for="[kind, count] in kinds"
              :key="kind"
              class="flex justify-between gap-4 border-b border-rule py-1"
            >
              <dt class="first-letter:uppercase">{{ wordsOf('alertKinds', kind) }}</dt>
              <dd class="figure">{{ count }}</dd>
            </div>
          </dl>
        </section>
      </div>

      <section class="mt-6" aria-labelledby="month-exposure">
        <h3 id="month-exposure" class="font-semibold">What tyres went through</h3>
        <p class="mt-1">
          Wheels that called were together
          <span class="figure">{{ hours(data.exposure.under90) }}</span> under 90&nbsp;% of their target,
          <span class="figure">{{ hours(data.exposure.under80) }}</span> of that under 80&nbsp;%, and
          <span class="figure">{{ hours(data.exposure.hot) }}</span> over 70&nbsp;°C.
        </p>
        <table v-if="wheels.length" v-stacked class="mt-2 w-full [&_td]:pr-4 [&_th]:pr-4">
          <thead class="text-quiet">
            <tr class="border-b border-rule text-left">
              <th scope="col" class="py-1 font-normal">Wheel</th>
              <th scope="col" class="text-right font-normal">Alerts</th>
              <th scope="col" class="text-right font-normal">Under 90 %</th>
              <th scope="col" class="text-right font-normal">Under 80 %</th>
              <th scope="col" class="text-right font-normal">Over 70 °C</th>
              <th scope="col" class="text-right font-normal">Heard</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="wheel in wheels.slice(0, MOST_SHOWN)"
              :key="wheel.vehicle + wheel.position"
              class="border-b border-rule"
            >
              <th scope="row" class="py-1 text-left font-normal">
                <RouterLink
                  class="way"
                  :to="{
                    name: 'vehicle',
                    params: { vehicleRef: wheel.vehicle },
                    query: { wheel: wheel.position },
                  }"
                  >{{ wheel.vehicle }} {{ wheel.position }}</RouterLink
                >
              </th>
              <td class="figure text-right">{{ wheel.alerts }}</td>
              <td class="figure text-right">{{ hours(wheel.exposure.under90) }}</td>
              <td class="figure text-right">{{ hours(wheel.exposure.under80) }}</td>
              <td class="figure text-right">{{ hours(wheel.exposure.hot) }}</td>
              <td class="figure text-right">{{ hours(wheel.exposure.heard) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="wheels.length > MOST_SHOWN || data.wheelsLeftOut" class="mt-1 text-quiet">
          The {{ Math.min(MOST_SHOWN, wheels.length) }} that were worst off; more called.
        </p>
        <p class="mt-1 text-sm text-quiet">
          Clock hours, by the hour’s mean at 20&nbsp;°C against the target that held, and by its hottest
          moment. Hours of which nothing was heard are not known.
        </p>
      </section>

      <section class="mt-6" aria-labelledby="month-work">
        <h3 id="month-work" class="font-semibold">Work done</h3>
        <p v-if="!data.work.length" class="mt-1 text-quiet">Nothing is written down.</p>
        <dl v-else class="mt-1 max-w-md border-t border-rule">
          <div
            v-for="one in data.work"
            :key="one.kind"
            class="flex justify-between gap-4 border-b border-rule py-1"
          >
            <dt class="first-letter:uppercase">{{ one.words }}</dt>
            <dd class="figure">{{ one.times }} ×</dd>
          </div>
        </dl>
      </section>
    </div>
  </section>
</template>
