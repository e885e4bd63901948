<script setup lang="ts">
import type { Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import AlertButtons from './AlertButtons.vue';

/** What is done to all alerts that are chosen in the queue. */
defineProps<{ alerts: AlertItem[]; trouble: string }>();
const emit = defineEmits<{ act: [what: Act]; none: [] }>();
</script>

<template>
  <section aria-label="The chosen alerts" class="sticky bottom-0 border-t border-ink bg-raised px-5 py-3">
    <p class="mb-2 flex items-baseline justify-between gap-3">
      <span aria-live="polite"
        ><span class="figure">{{ alerts.length }}</span> chosen</span
      >
      <button type="button" class="link" @click="emit('none')">Choose none</button>
    </p>
    <AlertButtons :alerts="alerts" has-keys @act="emit('act', $event)" />
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
