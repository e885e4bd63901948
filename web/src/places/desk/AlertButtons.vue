<script setup lang="ts">
import type { Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { fits } from './queue';

/** What may be done to one alert, or to all that are chosen. */
const props = defineProps<{ alerts: AlertItem[]; hasKeys: boolean; isHeld?: boolean }>();
const emit = defineEmits<{ act: [what: Act] }>();

const BUTTONS: [Act, string, string][] = [
  ['ACKNOWLEDGE', 'Acknowledge', 'A'],
  ['TAKE_IN_HAND', 'Take in hand', 'T'],
  ['ASSIGN', 'Give to …', 'G'],
  ['RAISE_JOB', 'Raise job', 'J'],
  ['SHELVE', 'Put aside', 'H'],
  ['COUNT_WITH', 'One cause', 'M'],
  ['STAND_ALONE', 'Stands alone', 'S'],
  ['CLOSE', 'Close', 'C'],
  ['REOPEN', 'Open again', 'O'],
];
const isOffered = (what: Act) =>
  what === 'COUNT_WITH'
    ? props.alerts.filter((alert) => fits(what, alert) && !alert.sameCauseAs).length > 1
    : !(what === 'SHELVE' && props.isHeld) && props.alerts.some((alert) => fits(what, alert));
</script>

<template>
  <div class="flex flex-wrap gap-2">
    <template v-for="[what, words, key] in BUTTONS" :key="what">
      <button
        v-if="isOffered(what)"
        type="button"
        class="button"
        :class="{ 'button-main': what === 'ACKNOWLEDGE' && hasKeys }"
        @click="emit('act', what)"
      >
        {{ words }} <kbd v-if="hasKeys" class="key ml-1">{{ key }}</kbd>
      </button>
    </template>
    <slot />
  </div>
</template>
