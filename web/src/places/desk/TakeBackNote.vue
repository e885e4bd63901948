<script setup lang="ts">
import { computed } from 'vue';
import { lastAct, placeOf, type Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';

/** Offers for a minute to take back what was done last. */
const emit = defineEmits<{ takeBack: [alerts: AlertItem[]] }>();

const DONE: Record<Act, string> = {
  ACKNOWLEDGE: 'Acknowledged',
  TAKE_IN_HAND: 'Taken in hand',
  ASSIGN: 'Given',
  SHELVE: 'Put aside',
  COUNT_WITH: 'Counted as one cause',
  STAND_ALONE: 'Stands alone',
  RAISE_JOB: 'Job for the workshop',
  END_JOB: '',
  CLOSE: 'Closed',
  REOPEN: 'Opened again',
  CORRECT: 'Corrected',
  TAKE_BACK: '',
};
const words = computed(() => {
  const done = lastAct.value;
  const first = done?.alerts[0];
  if (!done || !first) return '';
  const more = done.alerts.length - 1;
  return `${DONE[done.act]}: ${placeOf(first)}${more ? ` and ${more} more` : ''}.`;
});
</script>

<template>
  <p
    v-if="lastAct"
    class="fixed bottom-4 left-1/2 z-10 flex w-max max-w-[calc(100vw-2rem)] -translate-x-1/2 items-center gap-3 rounded border border-ink bg-raised px-4 py-2"
  >
    <span class="grow">{{ words }}</span>
    <button type="button" class="button" @click="emit('takeBack', lastAct.alerts)">
      Take back <kbd class="key ml-1">U</kbd>
    </button>
  </p>
</template>
