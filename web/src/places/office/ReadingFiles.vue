<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, useTemplateRef, watch } from 'vue';
import {
  headOf,
  isUnderWay,
  lookAtFile,
  useReadingFileActions,
  useReadingFiles,
  type Reading,
  type ReadingFileItem,
  type ReadingFileLook,
} from '@/api/readingFiles';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { PRESSURE_UNITS, useUnits } from '@/shared/units';
import { useSession } from '@/api/session';
import ColumnChoice from './ColumnChoice.vue';

/** Large files of readings: which column is which, then taken in while everything else goes on. */
const queries = useQueryClient();
const units = useUnits();
const { preferences } = useSession();
const { data: files } = useReadingFiles();
const { send, stop } = useReadingFileActions();
const { trouble, faults, isBusy, attempt } = useAttempt();
const field = useTemplateRef('field');
const chosen = ref<File>();
const head = ref<Blob>();
const look = ref<ReadingFileLook>();
const how = reactive<Reading>({
  columns: {},
  pressure: preferences.value.pressureUnit,
  temperature: 'CELSIUS',
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
});
const missing = computed(
  () => look.value?.columns.filter((column) => column.isRequired && !how.columns[column.field]) ?? [],
);

async function choose(): Promise<void> {
  look.value = undefined;
  head.value = undefined;
  chosen.value = field.value?.files?.[0];
  how.columns = {};
  const file = chosen.value;
  if (!file) return;
  await attempt(async () => {
    head.value = await headOf(file);
    await lookAgain();
    for (const column of look.value?.columns ?? [])
      if (column.column) how.columns[column.field] = column.column;
  }, `Looking into ${file.name}`);
}

async function lookAgain(): Promise<void> {
  if (head.value) look.value = await lookAtFile(head.value, how);
}

function mean(columns: Record<string, string>): void {
  how.columns = columns;
  void attempt(lookAgain);
}

const store = () =>
  attempt(
    async () => {
      if (!chosen.value) return;
      await send(chosen.value, how);
      look.value = undefined;
      chosen.value = undefined;
      if (field.value) field.value.value = '';
    },
    `Sending ${chosen.value?.name}, ${megabytes(chosen.value?.size ?? 0)}`,
    { done: 'The file is here and is taken in; you need not wait.' },
  );

const underWay = computed(() => files.value?.some(isUnderWay) ?? false);
watch(underWay, (is, was) => {
  if (was && !is) void queries.invalidateQueries();
});

const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;
const percent = (file: ReadingFileItem) =>
  file.bytes ? Math.min(100, Math.floor((file.bytesDone / file.bytes) * 100)) : 100;
const STATES: Record<ReadingFileItem['state'], string> = {
  WAITING: 'waits for its turn',
  RUNNING: 'is taken in',
  DONE: 'is in',
  CANCELLED: 'was stopped; what is stored stays',
  FAILED: 'could not be read to its end',
};
const count = (number: number) => number.toLocaleString('en-GB');
</script>

<template>
  <section class="mt-8" aria-labelledby="reading-files">
    <h2 id="reading-files" class="text-base">Readings from a file</h2>
    <p class="mt-1 max-w-2xl text-quiet">
      Readings that were kept elsewhere: a table (CSV, with a heading over each column), or one JSON object a
      line; packed files (.gz) may stay packed. They are judged in their own time. A file may be sent twice:
      what is there already is not stored again.
    </p>
    <label class="mt-3 block w-fit"
      >File of readings
      <input
        ref="field"
        type="file"
        class="field mt-0.5 block max-w-full"
        accept=".csv,.tsv,.txt,.ndjson,.jsonl,.gz,text/csv"
        @change="choose"
      />
    </label>
    <div v-if="trouble" role="alert" class="mt-2 text-stop">
      <p>{{ trouble }}</p>
      <ul>
        <li v-for="fault in faults" :key="fault.field + fault.message">{{ fault.message }}</li>
      </ul>
    </div>

    <form v-if="look && chosen" class="mt-3 max-w-4xl border-l-2 border-rule pl-4" @submit.prevent="store">
      <template v-if="look.format === 'TABLE'">
        <ColumnChoice
          :columns="look.columns"
          :headings="look.headings"
          :model-value="how.columns"
          @update:model-value="mean"
        />
        <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2">
          <label
            >Pressures are in
            <select v-model="how.pressure" class="field mt-0.5 block" @change="attempt(lookAgain)">
              <option v-for="(unit, name) in PRESSURE_UNITS" :key="name" :value="name">
                {{ unit.symbol }}
              </option>
            </select>
          </label>
          <label
            >Temperatures are in
            <select v-model="how.temperature" class="field mt-0.5 block" @change="attempt(lookAgain)">
              <option value="CELSIUS">°C</option>
              <option value="FAHRENHEIT">°F</option>
            </select>
          </label>
          <label
            >Times without a zone are of
            <input v-model.lazy="how.timeZone" class="field mt-0.5 block" @change="attempt(lookAgain)" />
          </label>
        </div>
      </template>
      <p v-if="missing.length" role="status" class="mt-3 text-next">
        Still to be said: {{ missing.map((column) => column.words.toLowerCase()).join(', ') }}.
      </p>
      <template v-else>
        <p role="status" class="mt-3">
          Of the first <span class="figure">{{ count(look.rows) }}</span> rows
          <span class="figure">{{ count(look.rows - look.faulty) }}</span> can be taken. Nothing is stored
          yet.
        </p>
        <ul v-if="look.faults.length" class="text-next">
          <li v-for="fault in look.faults" :key="fault">{{ fault }}</li>
        </ul>
        <SidewaysScroll v-if="look.shown.length" label="The first readings as they would be stored">
          <table class="mt-2 [&_td]:pr-6 [&_th]:pr-6">
            <thead class="text-quiet">
              <tr class="border-b border-rule text-left">
                <th scope="col" class="py-1 font-normal">Sensor</th>
                <th scope="col" class="font-normal">At</th>
                <th scope="col" class="font-normal">Pressure</th>
                <th scope="col" class="font-normal">Temperature</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in look.shown" :key="one.sensor + one.at" class="border-b border-rule">
                <td class="figure py-1">{{ one.sensor }}</td>
                <td>{{ dated(one.at) }}</td>
                <td class="figure">
                  {{ typeof one.pressureKpa === 'number' ? units.pressureWords(one.pressureKpa) : 'fault' }}
                </td>
                <td class="figure">
                  {{
                    typeof one.temperatureC === 'number' ? units.temperatureWords(one.temperatureC) : 'fault'
                  }}
                </td>
              </tr>
            </tbody>
          </table>
        </SidewaysScroll>
        <button
          type="submit"
          class="button button-main mt-3 min-h-11"
          :disabled="isBusy || look.faulty === look.rows"
        >
          Take in all of {{ chosen.name }}
        </button>
      </template>
    </form>

    <ul v-if="files?.length" class="mt-4 max-w-4xl border-t border-rule" aria-label="Files that were sent">
      <li v-for="file in files" :key="file.id" class="border-b border-rule py-2">
        <div class="flex flex-wrap items-baseline gap-x-4">
          <span class="font-medium break-all">{{ file.name }}</span>
          <span :class="file.state === 'FAILED' ? 'text-stop' : 'text-quiet'">{{ STATES[file.state] }}</span>
          <span class="text-quiet">{{ dated(file.begun) }}, {{ megabytes(file.bytes) }}</span>
          <button
            v-if="isUnderWay(file)"
            type="button"
            class="link ml-auto min-h-11"
            @click="attempt(() => stop(file.id))"
          >
            Stop it<span class="spoken">: {{ file.name }}</span>
          </button>
        </div>
        <div v-if="isUnderWay(file)" class="mt-1 flex items-center gap-3">
          <progress
            class="h-2 w-60"
            max="100"
            :value="percent(file)"
            :aria-label="`How far ${file.name} is`"
          ></progress>
          <span class="figure">{{ percent(file) }} %</span>
        </div>
        <p>
          <span class="figure">{{ count(file.accepted) }}</span> stored,
          <span class="figure">{{ count(file.duplicates) }}</span> were there already,
          <span class="figure">{{ count(file.unknownSensors) }}</span> of sensors that are not ours,
          <span class="figure">{{ count(file.rejected) }}</span> could not be taken.
        </p>
        <p v-if="file.words" :class="file.state === 'DONE' ? 'text-next' : 'text-stop'">{{ file.words }}</p>
        <details v-if="file.faults.length">
          <summary class="cursor-pointer text-quiet">What was wrong with some rows</summary>
          <ul>
            <li v-for="fault in file.faults" :key="fault">{{ fault }}</li>
          </ul>
        </details>
      </li>
    </ul>
  </section>
</template>
