<script setup lang="ts">
import type { ColumnItem } from '@/api/sheets';

/** Which column of a table is which; a column means one thing. */
const props = defineProps<{ columns: ColumnItem[]; headings: string[] }>();
const chosen = defineModel<Record<string, string>>({ required: true });

function mean(column: string, heading: string): void {
  const others = Object.entries(chosen.value).filter(([other, name]) => other !== column && name !== heading);
  chosen.value = Object.fromEntries(heading ? [...others, [column, heading]] : others);
}
const isMissing = (column: ColumnItem) => column.isRequired && !chosen.value[column.field];
</script>

<template>
  <fieldset>
    <legend class="font-medium">Which column is which</legend>
    <div class="mt-1 grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
      <label v-for="column in props.columns" :key="column.field" class="block"
        >{{ column.words }}{{ column.isRequired ? '' : ', if there is one' }}
        <select
          class="field mt-0.5 block w-full"
          :value="chosen[column.field] ?? ''"
          :aria-invalid="isMissing(column)"
          @change="mean(column.field, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">{{ column.isRequired ? 'choose a column' : 'none' }}</option>
          <option v-for="heading in headings.filter(Boolean)" :key="heading" :value="heading">
            {{ heading }}
          </option>
        </select>
      </label>
    </div>
  </fieldset>
</template>
