<script setup lang="ts">
import { ref, watch } from 'vue';
import type { EntryData, JobItem } from '@/api/jobs';

/** Which hand gauge is used, and when it was calibrated: it stays in the record. */
const props = defineProps<{ gauge?: NonNullable<JobItem['gauge']> | undefined }>();
const emit = defineEmits<{ named: [data: EntryData] }>();

const name = ref('');
const calibratedOn = ref('');
watch(
  () => props.gauge,
  (now) => {
    name.value = now?.name ?? '';
    calibratedOn.value = now?.calibratedOn ?? '';
  },
  { immediate: true },
);
</script>

<template>
  <form
    class="flex flex-wrap items-end gap-2"
    @submit.prevent="emit('named', { gaugeName: name, calibratedOn: calibratedOn || null })"
  >
    <label>Hand gauge in use <input v-model="name" class="field mt-0.5 block w-48" maxlength="120" /></label>
    <label>Calibrated on <input v-model="calibratedOn" type="date" class="field mt-0.5 block" /></label>
    <button type="submit" class="button" :disabled="!name.trim()">Note it</button>
  </form>
</template>
