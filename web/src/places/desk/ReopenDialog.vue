<script setup lang="ts">
import { ref, watch } from 'vue';
import type { ActMore } from '@/api/alertActs';
import AppDialog from '@/shared/AppDialog.vue';

/** What was closed is opened again with a reason. */
const props = defineProps<{ isOpen: boolean; trouble: string; isBusy: boolean }>();
const emit = defineEmits<{ go: [more: ActMore]; done: [] }>();

const reason = ref('');
watch(
  () => props.isOpen,
  () => (reason.value = ''),
);
</script>

<template>
  <AppDialog :is-open="isOpen" title="Open this alert again" @close="emit('done')">
    <form class="mt-3 grid gap-4" @submit.prevent="emit('go', { reason })">
      <p class="text-quiet">It stands in the queue again, as not seen yet, with all of its record.</p>
      <label>
        What was seen?
        <textarea v-model="reason" class="field mt-1" rows="2" maxlength="1000" required></textarea>
      </label>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="!reason.trim() || isBusy">
          Open it again
        </button>
        <button type="button" class="button" @click="emit('done')">Leave it closed</button>
      </div>
    </form>
  </AppDialog>
</template>
