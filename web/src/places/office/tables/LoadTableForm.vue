<script setup lang="ts">
import { reactive, ref, useTemplateRef } from 'vue';
import { useTargetActions } from '@/api/targets';
import NumberField from '@/shared/NumberField.vue';
import { PRESSURE_UNITS } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';

/** Enters the table of a size: pasted from a sheet, read from a file, or typed. */
const { enterTable } = useTargetActions();
const { trouble, isBusy, attempt } = useAttempt();
type PressureUnit = keyof typeof PRESSURE_UNITS;
const EMPTY = {
  tyreSize: '',
  source: '',
  speedKmh: null as number | null,
  rows: '',
  pressureUnit: 'KPA' as PressureUnit,
  loadUnit: 'KG' as 'KG' | 'LB',
};
const table = reactive({ ...EMPTY });
const said = ref('');
const file = useTemplateRef('file');

async function read(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (chosen) table.rows = await chosen.text();
  if (file.value) file.value.value = '';
}

async function enter(): Promise<void> {
  said.value = '';
  const size = table.tyreSize;
  if (await attempt(() => enterTable({ ...table }))) {
    said.value = `The table of ${size} is stored.`;
    Object.assign(table, EMPTY);
  }
}
</script>

<template>
  <form class="grid max-w-4xl gap-3" @submit.prevent="enter">
    <h2 class="text-base">Enter a table</h2>
    <div class="grid gap-x-4 gap-y-2 sm:grid-cols-3">
      <label
        >Tyre size, as on the sidewall
        <input
          v-model="table.tyreSize"
          class="field figure mt-0.5"
          maxlength="40"
          placeholder="315/80 R22.5"
          required
        />
      </label>
      <label
        >From: maker and edition
        <input v-model="table.source" class="field mt-0.5" maxlength="200" required />
      </label>
      <NumberField
        v-model="table.speedKmh"
        label="For up to"
        unit="km/h"
        :least="5"
        :most="160"
        is-optional
        is-whole
      />
      <label
        >Pressures in
        <select v-model="table.pressureUnit" class="field mt-0.5">
          <option v-for="(unit, name) in PRESSURE_UNITS" :key="name" :value="name">{{ unit.symbol }}</option>
        </select>
      </label>
      <label
        >Loads in
        <select v-model="table.loadUnit" class="field mt-0.5">
          <option value="KG">kg</option>
          <option value="LB">lb</option>
        </select>
      </label>
      <label
        >From a file (CSV)
        <input
          ref="file"
          type="file"
          accept=".csv,.txt,text/csv"
          class="mt-1 block w-full max-sm:min-h-11 max-sm:file:min-h-11 file:mr-3 file:cursor-pointer file:rounded-[3px] file:border file:border-ink file:bg-raised file:px-3 file:py-1 file:text-ink"
          @change="read"
        />
      </label>
    </div>
    <label
      >Pressure, load of a single tyre, load of one of a twin; a row each
      <textarea
        v-model="table.rows"
        class="field figure mt-0.5 h-32"
        placeholder="600, 2430, 2240&#10;700, 2800, 2575&#10;800, 3150, 2900"
        required
      ></textarea>
    </label>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <div class="flex items-baseline gap-3">
      <button type="submit" class="button button-main" :disabled="isBusy">Store this table</button>
      <span role="status">{{ said }}</span>
    </div>
  </form>
</template>
