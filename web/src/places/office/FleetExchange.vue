<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, useTemplateRef } from 'vue';
import { answer, http, type Schemas } from '@/api/client';
import { alertsAddress } from '@/api/history';
import { howFar } from '@/api/progress';
import { useSession } from '@/api/session';
import { whereWords } from '@/shared/plainFault';
import { useAttempt } from '@/shared/useAttempt';
import ReadingFiles from './ReadingFiles.vue';
import ReadingsIn from './ReadingsIn.vue';
import SheetsIn from './SheetsIn.vue';

/** The fleet document, out and in: whole or not at all. */
const { isManager, preferences } = useSession();
const TABLES = computed(() => [
  { words: 'alerts', href: alertsAddress(preferences.value) },
  { words: 'what comes due', href: '/api/v1/due-work.csv' },
  { words: 'battery visits', href: '/api/v1/battery-visits.csv' },
]);
const queries = useQueryClient();
const file = useTemplateRef('file');
const isUpdate = ref(false);
const outcome = ref('');
const { trouble, faults, isBusy, attempt } = useAttempt();

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

function read(name: string, text: string): Schemas['FleetDocument'] {
  try {
    return JSON.parse(text) as Schemas['FleetDocument'];
  } catch {
    throw new Error(`${name} is no fleet document: it is not JSON. Nothing was changed.`);
  }
}

async function bringIn(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen) return;
  outcome.value = '';
  const text = await chosen.text();
  await attempt(
    async () => {
      const document = read(chosen.name, text);
      const body = isUpdate.value ? { ...document, onExisting: 'update' } : document;
      const imported = await answer(http.POST('/api/v1/fleet-imports', { body }));
      outcome.value = `Brought in and in service now: ${counted(imported.vehicles, 'vehicle')} with ${counted(imported.sensors, 'sensor')}.`;
      await queries.invalidateQueries();
    },
    `Bringing in ${chosen.name}, ${(text.length / 1e6).toFixed(1)} MB: all of it, or nothing`,
    { howFar },
  );
  if (file.value) file.value.value = '';
}

const takeOut = (history: boolean) =>
  attempt(async () => {
    const fleet = await answer(
      http.GET('/api/v1/fleet-export', { params: { query: { history: String(history) } } }),
    );
    const url = URL.createObjectURL(new Blob([JSON.stringify(fleet, null, 2)], { type: 'application/json' }));
    const link = Object.assign(document.createElement('a'), { href: url, download: 'fleet.json' });
    link.click();
    URL.revokeObjectURL(url);
  }, 'Writing the fleet document');
</script>

<template>
  <section aria-label="The fleet as a document">
    <p class="mt-1 max-w-2xl text-quiet">
      Depots, vehicles, axles, limits and sensors as one JSON file. What goes out can go in again here or
      elsewhere. A file with a fault changes nothing. With its past it also tells where sensors and tyres
      were, what was moved, measured, inflated and repaired, and who pulled whom; that goes only into a
      product without vehicles.
    </p>
    <div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <button type="button" class="button" @click="takeOut(false)">Take the fleet out</button>
      <button type="button" class="button" @click="takeOut(true)">Take it out with its past</button>
      <template v-if="isManager">
        <label
          class="button inline-flex items-center focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-action"
        >
          Bring a fleet in
          <input
            ref="file"
            type="file"
            accept=".json,application/json"
            class="spoken"
            :disabled="isBusy"
            @change="bringIn"
          />
        </label>
        <label class="flex items-center gap-2">
          <input v-model="isUpdate" type="checkbox" class="size-4" /> change vehicles that exist
        </label>
      </template>
    </div>
    <p v-if="outcome" role="status" class="mt-3">{{ outcome }}</p>
    <div v-if="trouble" role="alert" class="mt-3">
      <p class="text-stop">{{ trouble }}</p>
      <ul v-if="faults.length" class="mt-1 max-h-72 overflow-y-auto" tabindex="0" aria-label="Faults">
        <li v-for="fault in faults" :key="fault.field + fault.message" class="border-b border-rule py-1">
          <span class="text-quiet">{{ whereWords(fault.field) }}:</span> {{ fault.message }}
        </li>
      </ul>
    </div>
    <p class="mt-3 flex flex-wrap items-center gap-x-5">
      Also as tables (CSV):
      <a
        v-for="table in TABLES"
        :key="table.words"
        class="way min-h-11 content-center"
        :href="table.href"
        download
        >{{ table.words }}</a
      >
      <span class="text-quiet">readings on each vehicle’s page, under its pressures day by day</span>
    </p>
    <template v-if="isManager">
      <SheetsIn />
      <ReadingFiles />
      <ReadingsIn />
    </template>
  </section>
</template>
