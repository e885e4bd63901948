<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { useHandGaugeActions, useHandGauges, type HandGauge } from '@/api/gauges';
import { useSession } from '@/api/session';
import { useDepots } from '@/api/targets';
import NumberField from '@/shared/NumberField.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';
import { calendarDay } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** The gauges that people hold against valves, and when each is to be calibrated again. */
const { data: gauges, error } = useHandGauges();
const { data: depots } = useDepots();
const { keep, takeOut } = useHandGaugeActions();
const { mayHandleAlerts } = useSession();
const { trouble, isBusy, attempt } = useAttempt();

const form = reactive({ name: '', depot: '', calibratedOn: '', everyMonths: 12 as number | null });
const said = ref('');
const isComplete = computed(
  () => form.name.trim() !== '' && form.calibratedOn !== '' && form.everyMonths !== null,
);

function change(one: HandGauge): void {
  Object.assign(form, { ...one, depot: one.depot ?? '' });
  said.value = '';
}

async function store(): Promise<void> {
  const name = form.name.trim();
  const entry = { depot: form.depot || null, calibratedOn: form.calibratedOn, everyMonths: form.everyMonths };
  if (await attempt(() => keep(name, entry))) {
    said.value = `${name} is stored.`;
    Object.assign(form, { name: '', depot: '', calibratedOn: '', everyMonths: 12 });
  }
}

async function remove(name: string): Promise<void> {
  if (await attempt(() => takeOut(name)))
    said.value = `${name} is taken out. What was measured with it stays.`;
}
</script>

<template>
  <section aria-label="Hand gauges">
    <p v-if="error" role="alert" class="text-next">{{ error.message }}</p>
    <p v-if="gauges?.length === 0" class="text-quiet">
      No gauge is written down yet. One that is shows when it is to be calibrated again, here and among the
      due work.
    </p>
    <SidewaysScroll v-if="gauges?.length" label="The hand gauges">
      <table v-stacked class="mt-1 w-full max-w-4xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Gauge</th>
            <th scope="col" class="font-normal">Depot</th>
            <th scope="col" class="font-normal">Calibrated</th>
            <th scope="col" class="text-right font-normal">Every, months</th>
            <th scope="col" class="font-normal">Again by</th>
            <th v-if="mayHandleAlerts" scope="col"><span class="spoken">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in gauges" :key="one.name" class="border-b border-rule">
            <th scope="row" class="py-1.5 font-medium">{{ one.name }}</th>
            <td>{{ one.depot }}</td>
            <td class="figure">{{ calendarDay(one.calibratedOn) }}</td>
            <td class="figure text-right">{{ one.everyMonths }}</td>
            <td class="figure" :class="{ 'font-semibold text-next': one.isOverdue }">
              {{ calendarDay(one.dueOn) }}{{ one.isOverdue ? ': over, use another' : '' }}
            </td>
            <td v-if="mayHandleAlerts" class="text-right whitespace-nowrap">
              <button type="button" class="link mr-4" :aria-label="`Change ${one.name}`" @click="change(one)">
                Change
              </button>
              <button
                type="button"
                class="link"
                :aria-label="`Take out ${one.name}`"
                @click="remove(one.name)"
              >
                Take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <form v-if="mayHandleAlerts" class="mt-4 flex flex-wrap items-end gap-3" @submit.prevent="store">
      <label class="block"
        >Gauge <input v-model="form.name" class="field mt-0.5 block w-48" maxlength="120" required
      /></label>
      <label class="block"
        >Depot
        <select v-model="form.depot" class="field mt-0.5 block w-40">
          <option value="">not said</option>
          <option v-for="one in depots" :key="one.name" :value="one.name">{{ one.name }}</option>
        </select>
      </label>
      <label class="block"
        >Calibrated on <input v-model="form.calibratedOn" type="date" class="field mt-0.5 block" required
      /></label>
      <NumberField
        v-model="form.everyMonths"
        class="w-40"
        label="Every"
        unit="months"
        :least="1"
        :most="120"
        is-whole
      />
      <button type="submit" class="button" :disabled="isBusy || !isComplete">Store</button>
      <span role="status">{{ said }}</span>
    </form>
    <p v-if="mayHandleAlerts" class="mt-2 max-w-prose text-quiet">
      Once a year is common; the gauge’s maker and the rule of the house go first.
    </p>
    <p v-if="trouble" role="alert" class="mt-1 text-stop">{{ trouble }}</p>
  </section>
</template>
