<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useDescribing, type VehicleBatch } from '@/api/describe';
import { entryOf, type Draft } from './draft';
import { useAttempt } from '@/shared/useAttempt';

/** Many vehicles like the one described, from a list that is pasted or read from a file. */
const props = defineProps<{ draft: Draft }>();

const MOST_SHOWN = 200;
const { createMany } = useDescribing();
const rows = ref('');
const outcome = ref<VehicleBatch>();
const { trouble, isBusy, attempt } = useAttempt();

const shown = computed(() => {
  const all = outcome.value?.rows ?? [];
  const faulty = all.filter((row) => row.faults.length);
  return [...faulty, ...all.filter((row) => !row.faults.length)].slice(0, MOST_SHOWN);
});
watch([rows, () => props.draft], () => (outcome.value = undefined), { deep: true });

async function readFile(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (file) rows.value = await file.text();
}

const take = (isPreview: boolean) =>
  attempt(
    async () => {
      outcome.value = await createMany(entryOf({ ...props.draft, ref: 'each' }), rows.value, isPreview);
    },
    `${isPreview ? 'Looking through' : 'Describing'} ${rows.value.trim().split('\n').length} vehicles`,
  );
</script>

<template>
  <section class="max-w-3xl">
    <h2 class="text-base">Many like this</h2>
    <p class="text-quiet">
      A vehicle a line: ref, plate, depot. Separated by comma, semicolon or tab, as a spreadsheet copies them.
    </p>
    <label class="mt-2 block">
      <span class="spoken">The list</span>
      <textarea
        v-model="rows"
        class="field figure"
        rows="5"
        placeholder="LM-61, KD 61 MIL, Larkmoor"
      ></textarea>
    </label>
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <label class="button">
        Read a file
        <input type="file" accept=".csv,.txt,text/csv,text/plain" class="spoken" @change="readFile" />
      </label>
      <button type="button" class="button" :disabled="!rows.trim() || isBusy" @click="take(true)">
        Look it through
      </button>
      <button
        v-if="outcome && !outcome.stored && !outcome.faulty"
        type="button"
        class="button button-main"
        :disabled="isBusy"
        @click="take(false)"
      >
        Store {{ outcome.rows.length }} vehicles
      </button>
    </div>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <div v-if="outcome" role="status" class="mt-3">
      <p v-if="outcome.stored" class="font-medium">
        {{ outcome.stored }} vehicles are described.
        <RouterLink to="/vehicles">See them</RouterLink>
      </p>
      <p v-else-if="outcome.faulty" class="font-medium text-stop">
        {{ outcome.faulty }} of {{ outcome.rows.length }} lines cannot stand; nothing is stored before they
        are mended.
      </p>
      <p v-else>{{ outcome.rows.length }} lines, none at fault. Nothing is stored yet.</p>
      <table v-if="!outcome.stored" class="mt-2 w-full [&_td]:py-0.5 [&_td]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th class="font-normal">Line</th>
            <th class="font-normal">Ref</th>
            <th class="font-normal">Plate</th>
            <th class="font-normal">Depot</th>
            <th class="font-normal"><span class="spoken">What is wrong</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in shown" :key="row.line" class="border-b border-rule">
            <td class="figure text-quiet">{{ row.line }}</td>
            <td class="figure">{{ row.ref }}</td>
            <td class="figure">{{ row.plate }}</td>
            <td>{{ row.depot ?? draft.depot }}</td>
            <td class="text-stop">{{ row.faults.join(' ') }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="outcome.rows.length > shown.length" class="text-quiet">
        and {{ outcome.rows.length - shown.length }} more lines
      </p>
    </div>
  </section>
</template>
