<script setup lang="ts">
import type { AlertItem } from '@/api/live';

/** What this person may do to an alert. */
const props = defineProps<{ item: AlertItem; isRunSoft: boolean; mayHandle: boolean; trouble: string }>();
const emit = defineEmits<{ acknowledge: []; takeInHand: []; shelve: []; close: [] }>();

const isFresh = (item: AlertItem) => item.state === 'NEW' || item.state === 'ACKNOWLEDGED';
/** Why it is not to be put aside, if it is not. */
const held = (item: AlertItem) =>
  item.urgency === 'STOP_NOW'
    ? 'Stop now cannot be put aside.'
    : props.isRunSoft
      ? 'A tyre that was run soft cannot be put aside: it is inspected off the vehicle, or scrapped.'
      : '';
</script>

<template>
  <div v-if="item.state !== 'CLOSED'">
    <div v-if="mayHandle" class="flex flex-wrap gap-2">
      <button
        v-if="item.state === 'NEW'"
        type="button"
        class="button button-main"
        @click="emit('acknowledge')"
      >
        Acknowledge <kbd class="key ml-1">A</kbd>
      </button>
      <button v-if="isFresh(item)" type="button" class="button" @click="emit('takeInHand')">
        Take in hand <kbd class="key ml-1">T</kbd>
      </button>
      <button v-if="isFresh(item) && !held(item)" type="button" class="button" @click="emit('shelve')">
        Put aside <kbd class="key ml-1">H</kbd>
      </button>
      <button type="button" class="button" @click="emit('close')">Close <kbd class="key ml-1">C</kbd></button>
    </div>
    <p v-else class="text-quiet">Your role reads alerts; a manager or technician handles them.</p>
    <p v-if="mayHandle && isFresh(item) && held(item)" class="mt-2 text-quiet">{{ held(item) }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </div>
</template>
