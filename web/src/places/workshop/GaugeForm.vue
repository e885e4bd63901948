<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useHandGauges } from '@/api/gauges';
import type { EntryData, JobItem } from '@/api/jobs';
import { calendarDay } from '@/shared/time';

/** Which hand gauge is used, and when it was calibrated: it stays in the record. One that is written down says its day. */
const props = defineProps<{ gauge?: NonNullable<JobItem['gauge']> | undefined }>();
const emit = defineEmits<{ named: [data: EntryData] }>();

const name = ref('');
const calibratedOn = ref('');
const { data: gauges } = useHandGauges();
const known = computed(() => gauges.value?.find((one) => one.name === name.value.trim()));
watch(known, (one) => {
  if (one) calibratedOn.value = one.calibratedOn;
});
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
    <label
      >Hand gauge in use
      <input
        v-model="name"
        class="field mt-0.5 block w-48"
        maxlength="120"
        list="hand-gauges"
        autocomplete="off"
    /></label>
    <datalist id="hand-gauges">
      <option v-for="one in gauges" :key="one.name" :value="one.name"></option>
    </datalist>
    <label>Calibrated on <input v-model="calibratedOn" type="date" class="field mt-0.5 block" /></label>
    <button type="submit" class="button" :disabled="!name.trim()">Note it</button>
    <p v-if="known?.isOverdue" role="status" class="w-full text-next">
      {{ known.name }} was to be calibrated by {{ calendarDay(known.dueOn) }}. Use another, or have it
      calibrated first.
    </p>
  </form>
</template>
