<script setup lang="ts">
import { reactive, ref } from 'vue';
import { useDepots, useTargetActions } from '@/api/targets';
import NumberField from '@/shared/NumberField.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';

/** Depots: by which clock their people live, and how high they lie, which hand gauges notice. */
const { data: depots, error } = useDepots();
const { setDepot } = useTargetActions();
const { trouble, isBusy, attempt } = useAttempt();
const ZONES = Intl.supportedValuesOf('timeZone');
const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
const depot = reactive({ name: '', timeZone: own, altitudeM: 0 as number | null, phone: '' });
const said = ref('');

function change(known: { name: string; timeZone: string; altitudeM: number; phone?: string | null }): void {
  Object.assign(depot, {
    name: known.name,
    timeZone: known.timeZone,
    altitudeM: known.altitudeM,
    phone: known.phone ?? '',
  });
  said.value = '';
}

async function store(): Promise<void> {
  const name = depot.name;
  if (await attempt(() => setDepot({ ...depot }))) {
    said.value = `${name} is stored.`;
    Object.assign(depot, { name: '', timeZone: own, altitudeM: 0, phone: '' });
  }
}
</script>

<template>
  <section aria-label="Depots">
    <p v-if="error" role="alert" class="text-next">{{ error.message }}</p>
    <SidewaysScroll v-if="depots?.length" label="The depots">
      <table v-stacked class="mt-1 w-full max-w-3xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Name</th>
            <th scope="col" class="font-normal">Time zone</th>
            <th scope="col" class="text-right font-normal">Height, m</th>
            <th scope="col" class="font-normal">Drivers call</th>
            <th scope="col" class="text-right font-normal">Vehicles</th>
            <th scope="col"><span class="spoken">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in depots" :key="one.name" class="border-b border-rule">
            <th scope="row" class="py-1.5 font-medium">{{ one.name }}</th>
            <td>{{ one.timeZone }}</td>
            <td class="figure text-right">{{ Math.round(one.altitudeM) }}</td>
            <td class="figure">{{ one.phone }}</td>
            <td class="figure text-right">{{ one.vehicles }}</td>
            <td class="text-right">
              <button type="button" class="link" :aria-label="`Change ${one.name}`" @click="change(one)">
                Change
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="store">
      <label class="block"
        >Depot <input v-model="depot.name" class="field mt-0.5 block" maxlength="120" required
      /></label>
      <label class="block"
        >Time zone
        <input v-model="depot.timeZone" class="field mt-0.5 block w-56" list="time-zones" required />
        <datalist id="time-zones">
          <option v-for="zone in ZONES" :key="zone" :value="zone"></option>
        </datalist>
      </label>
      <NumberField
        v-model="depot.altitudeM"
        class="w-48"
        label="Height above the sea"
        unit="m"
        :least="-500"
        :most="9000"
      />
      <label class="block"
        >Drivers call
        <input
          v-model="depot.phone"
          type="tel"
          class="field mt-0.5 block w-48"
          maxlength="40"
          autocomplete="off"
      /></label>
      <button type="submit" class="button" :disabled="isBusy">Store</button>
      <span role="status">{{ said }}</span>
    </form>
    <p v-if="trouble" role="alert" class="mt-1 text-stop">{{ trouble }}</p>
  </section>
</template>
