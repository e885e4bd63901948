<script setup lang="ts">
import type { ActMore } from '@/api/alertActs';
import { usePeople } from '@/api/people';
import AppDialog from '@/shared/AppDialog.vue';

/** Giving alerts to somebody who is to deal with them: one press. */
defineProps<{
  isOpen: boolean;
  count: number;
  assignee?: string | null | undefined;
  trouble: string;
  isBusy: boolean;
}>();
const emit = defineEmits<{ go: [more: ActMore]; done: [] }>();

const { handlers } = usePeople();
</script>

<template>
  <AppDialog
    :is-open="isOpen"
    :title="count > 1 ? `Give ${count} alerts to` : 'Give this alert to'"
    @close="emit('done')"
  >
    <ul class="mt-3 grid gap-2 sm:grid-cols-2">
      <li v-for="person in handlers" :key="person.userName">
        <button
          type="button"
          class="button min-h-11 w-full text-left"
          :disabled="isBusy || (count === 1 && person.userName === assignee)"
          @click="emit('go', { assignee: person.userName })"
        >
          {{ person.displayName }}
        </button>
      </li>
    </ul>
    <p v-if="trouble" role="alert" class="mt-3 text-stop">{{ trouble }}</p>
    <div class="mt-4 flex gap-2">
      <button
        v-if="assignee || count > 1"
        type="button"
        class="button"
        :disabled="isBusy"
        @click="emit('go', {})"
      >
        Nobody in particular
      </button>
      <button type="button" class="button" @click="emit('done')">Leave it as it is</button>
    </div>
  </AppDialog>
</template>
