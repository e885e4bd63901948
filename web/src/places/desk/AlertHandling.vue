<script setup lang="ts">
import type { AlertItem } from '@/api/live';

/** What this person may do to an alert. */
defineProps<{ item: AlertItem; mayHandle: boolean; trouble: string }>();
const emit = defineEmits<{ acknowledge: []; takeInHand: []; shelve: []; close: [] }>();

const isFresh = (item: AlertItem) => item.state === 'NEW' || item.state === 'ACKNOWLEDGED';
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
      <button
        v-if="isFresh(item) && item.urgency !== 'STOP_NOW'"
        type="button"
        class="button"
        @click="emit('shelve')"
      >
        Put aside <kbd class="key ml-1">H</kbd>
      </button>
      <button type="button" class="button" @click="emit('close')">Close <kbd class="key ml-1">C</kbd></button>
    </div>
    <p v-else class="text-quiet">Your role reads alerts; a manager or technician handles them.</p>
    <p v-if="mayHandle && isFresh(item) && item.urgency === 'STOP_NOW'" class="mt-2 text-quiet">
      Stop now cannot be put aside.
    </p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </div>
</template>
