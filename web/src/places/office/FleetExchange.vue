<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { ref, useTemplateRef } from 'vue';
import { answer, http, Problem, type Schemas } from '@/api/client';
import { useSession } from '@/api/session';

/** The fleet document, out and in: whole or not at all. */
const { isManager } = useSession();
const queries = useQueryClient();
const file = useTemplateRef('file');
const isUpdate = ref(false);
const isBusy = ref(false);
const outcome = ref('');
const trouble = ref<Problem>();

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

async function bringIn(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen) return;
  isBusy.value = true;
  outcome.value = '';
  trouble.value = undefined;
  try {
    const text = await chosen.text();
    let document: Schemas['FleetDocument'];
    try {
      document = JSON.parse(text) as Schemas['FleetDocument'];
    } catch (e) {
      throw new Problem(`${chosen.name} is not JSON: ${(e as Error).message}. Nothing was changed.`, 0);
    }
    const body = isUpdate.value ? { ...document, onExisting: 'update' } : document;
    const imported = await answer(http.POST('/api/v1/fleet-imports', { body }));
    outcome.value = `Brought in and in service now: ${counted(imported.vehicles, 'vehicle')} with ${counted(imported.sensors, 'sensor')}.`;
    await queries.invalidateQueries();
  } catch (e) {
    trouble.value = e instanceof Problem ? e : new Problem((e as Error).message, 0);
  } finally {
    isBusy.value = false;
    if (file.value) file.value.value = '';
  }
}

async function takeOut(): Promise<void> {
  trouble.value = undefined;
  try {
    const fleet = await answer(http.GET('/api/v1/fleet-export'));
    const url = URL.createObjectURL(new Blob([JSON.stringify(fleet, null, 2)], { type: 'application/json' }));
    const link = Object.assign(document.createElement('a'), { href: url, download: 'fleet.json' });
    link.click();
    URL.revokeObjectURL(url);
  } catch (e) {
    trouble.value = e as Problem;
  }
}
</script>

<template>
  <section id="fleet" aria-labelledby="fleet-title">
    <h2 id="fleet-title" class="text-base">The fleet as a document</h2>
    <p class="mt-1 max-w-2xl text-quiet">
      Depots, vehicles, axles, limits and sensors as one JSON file. What goes out can go in again here or
      elsewhere. A file with a fault changes nothing.
    </p>
    <div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <button type="button" class="button" @click="takeOut">Take the fleet out</button>
      <template v-if="isManager">
        <label
          class="button focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-action"
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
      <p class="text-stop">{{ trouble.message }}</p>
      <ul v-if="trouble.faults.length" class="mt-1 max-h-72 overflow-y-auto" tabindex="0" aria-label="Faults">
        <li
          v-for="fault in trouble.faults"
          :key="fault.field + fault.message"
          class="border-b border-rule py-1"
        >
          <span class="figure text-quiet">{{ fault.field }}</span> {{ fault.message }}
        </li>
      </ul>
    </div>
  </section>
</template>
