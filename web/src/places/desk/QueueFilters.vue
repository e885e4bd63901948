<script setup lang="ts">
import { useTemplateRef } from 'vue';
import type { QueueFilter } from './queue';

/** Narrows the queue; a stop now stays whatever is chosen. */
defineProps<{ depots: string[]; hidden: number }>();
const filter = defineModel<QueueFilter>({ required: true });

const text = useTemplateRef<HTMLInputElement>('text');
defineExpose({ focus: () => text.value?.focus() });

const SHOWN: [QueueFilter['show'], string][] = [
  ['OPEN', 'all open'],
  ['NEW', 'not seen yet'],
  ['ASIDE', 'put aside'],
];
</script>

<template>
  <div
    role="search"
    aria-label="Narrow the queue"
    class="grid grid-cols-2 gap-2 border-b border-rule px-5 py-2.5"
  >
    <input
      ref="text"
      v-model="filter.text"
      type="search"
      class="field col-span-2"
      placeholder="Vehicle, wheel or word"
      aria-label="Vehicle, wheel or word"
      autocomplete="off"
    />
    <select v-model="filter.show" class="field" aria-label="Which alerts">
      <option v-for="[value, words] in SHOWN" :key="value" :value="value">{{ words }}</option>
    </select>
    <select v-model="filter.depot" class="field" aria-label="Depot">
      <option value="">every depot</option>
      <option v-for="depot in depots" :key="depot">{{ depot }}</option>
    </select>
    <p v-if="hidden" class="col-span-2 text-quiet" aria-live="polite">
      {{ hidden }} {{ hidden === 1 ? 'alert is' : 'alerts are' }} not shown. A stop now always is.
    </p>
  </div>
</template>
