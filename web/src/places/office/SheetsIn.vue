<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, useTemplateRef, watch } from 'vue';
import { useSession } from '@/api/session';
import { sheetAddress, takeSheet, useSheetKinds, type SheetAnswer, type SheetReading } from '@/api/sheets';
import { PRESSURE_UNITS } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import ColumnChoice from './ColumnChoice.vue';

/** Tables of what a fleet has, in and out: looked at first, then stored whole or not at all. */
const queries = useQueryClient();
const { preferences } = useSession();
const { data: kinds } = useSheetKinds();
const { trouble, faults, isBusy, attempt } = useAttempt();
const field = useTemplateRef('field');
const kind = ref('SENSORS');
const chosen = ref<File>();
const looked = ref<SheetAnswer>();
const stored = ref<SheetAnswer>();
const how = reactive<SheetReading>({
  columns: {},
  pressure: preferences.value.pressureUnit,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
  isUpdate: false,
});

const one = computed(() => kinds.value?.find((item) => item.kind === kind.value));
const hasPressures = computed(() => one.value?.fields.some(({ field: name }) => name === 'pressure'));
const hasTimes = computed(() =>
  one.value?.fields.some(({ field: name }) => ['at', 'fittedAt'].includes(name)),
);
const mayChange = computed(() => ['VEHICLES', 'SENSORS'].includes(kind.value));
const missing = computed(
  () => looked.value?.columns.filter((column) => column.isRequired && !how.columns[column.field]) ?? [],
);
const wordsOf = (name: string) => one.value?.fields.find((item) => item.field === name)?.words ?? name;

function forget(): void {
  looked.value = undefined;
  stored.value = undefined;
  how.columns = {};
}
watch(kind, async () => {
  forget();
  await look();
});

async function choose(): Promise<void> {
  forget();
  chosen.value = field.value?.files?.[0];
  await look();
}

const look = () =>
  attempt(
    async () => {
      if (!chosen.value) return;
      looked.value = await takeSheet(kind.value, chosen.value, how, true);
      if (Object.keys(how.columns).length === 0)
        how.columns = Object.fromEntries(
          looked.value.columns.flatMap(({ field: name, column }) => (column ? [[name, column]] : [])),
        );
    },
    `Looking through ${chosen.value?.name ?? 'the table'}`,
  );

function mean(columns: Record<string, string>): void {
  how.columns = columns;
  void look();
}

const store = () =>
  attempt(
    async () => {
      if (!chosen.value) return;
      const answer = await takeSheet(kind.value, chosen.value, how, false);
      forget();
      stored.value = answer;
      chosen.value = undefined;
      if (field.value) field.value.value = '';
      await queries.invalidateQueries();
    },
    `Storing ${chosen.value?.name ?? 'the table'}: all of it, or nothing`,
  );
</script>

<template>
  <section class="mt-8" aria-labelledby="sheets-in">
    <h2 id="sheets-in" class="text-base">Tables</h2>
    <p class="mt-1 max-w-2xl text-quiet">
      CSV with a heading over each column, in and out. A table is looked through first; with one fault in it
      nothing is stored. Which column is which is remembered for the next table with the same headings.
    </p>
    <div class="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
      <label
        >A table of
        <select v-model="kind" class="field mt-0.5 block">
          <option v-for="item in kinds" :key="item.kind" :value="item.kind">{{ item.words }}</option>
        </select>
      </label>
      <label
        >Table
        <input
          ref="field"
          type="file"
          class="field mt-0.5 block max-w-full"
          accept=".csv,.tsv,.txt,text/csv"
          @change="choose"
        />
      </label>
      <a class="way min-h-11 content-center" :href="sheetAddress(kind, how.pressure)" download
        >Take out the table of {{ one?.words }}</a
      >
    </div>
    <div v-if="trouble" role="alert" class="mt-2 text-stop">
      <p>{{ trouble }}</p>
      <ul>
        <li v-for="fault in faults" :key="fault.field + fault.message">{{ fault.message }}</li>
      </ul>
    </div>
    <p v-if="stored" role="status" class="mt-3">Stored: {{ stored.words.join('; ') }}.</p>

    <form v-if="looked && chosen" class="mt-3 max-w-4xl border-l-2 border-rule pl-4" @submit.prevent="store">
      <ColumnChoice
        :columns="looked.columns"
        :headings="looked.headings"
        :model-value="how.columns"
        @update:model-value="mean"
      />
      <div class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <label v-if="hasPressures"
          >Pressures are in
          <select v-model="how.pressure" class="field mt-0.5 block" @change="look">
            <option v-for="(unit, name) in PRESSURE_UNITS" :key="name" :value="name">
              {{ unit.symbol }}
            </option>
          </select>
        </label>
        <label v-if="hasTimes"
          >Times without a zone are of
          <input v-model.lazy="how.timeZone" class="field mt-0.5 block" @change="look" />
        </label>
        <label v-if="mayChange" class="flex min-h-11 items-center gap-2">
          <input v-model="how.isUpdate" type="checkbox" class="size-4" @change="look" /> change what exists
        </label>
      </div>
      <p v-if="missing.length" role="status" class="mt-3 text-next">
        Still to be said: {{ missing.map((column) => column.words.toLowerCase()).join(', ') }}.
      </p>
      <template v-else-if="looked.faultsTotal">
        <p role="status" class="mt-3 font-medium text-stop">
          {{ looked.faultsTotal }} {{ looked.faultsTotal === 1 ? 'fault' : 'faults' }} in
          {{ looked.rows }} rows. Mend the table and choose it again; nothing was stored.
        </p>
        <ul class="mt-1 max-h-72 overflow-y-auto" tabindex="0" aria-label="Faults">
          <li
            v-for="fault in looked.faults"
            :key="fault.row + fault.field + fault.message"
            class="border-b border-rule py-1"
          >
            <span class="text-quiet"
              >{{ fault.row ? `row ${fault.row}` : 'table'
              }}{{ fault.field ? `, ${wordsOf(fault.field)}` : '' }}:</span
            >
            {{ fault.message }}
          </li>
        </ul>
      </template>
      <template v-else>
        <p role="status" class="mt-3">
          {{ looked.rows }} rows without a fault: {{ looked.words.join('; ') }}.
        </p>
        <button type="submit" class="button button-main mt-2 min-h-11" :disabled="isBusy">
          Store all of it
        </button>
      </template>
    </form>
  </section>
</template>
