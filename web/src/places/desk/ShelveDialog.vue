<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { ActMore } from '@/api/alertActs';
import AppDialog from '@/shared/AppDialog.vue';
import { clock } from '@/shared/time';

/** Putting an alert aside needs a reason and an end; then it calls again. */
const props = defineProps<{ isOpen: boolean; count: number; trouble: string; isBusy: boolean }>();
const emit = defineEmits<{ go: [more: ActMore]; done: [] }>();

const reason = ref('');
const hours = ref(8);
const ENDS: [number, string][] = [
  [2, 'two hours'],
  [8, 'eight hours, a shift'],
  [24, 'a day'],
  [72, 'three days'],
  [168, 'a week'],
];

watch(
  () => props.isOpen,
  () => {
    reason.value = '';
    hours.value = 8;
  },
);

const until = computed(() => new Date(Date.now() + hours.value * 3_600_000));

const shelve = () => emit('go', { reason: reason.value, until: until.value.toISOString() });
</script>

<template>
  <AppDialog
    :is-open="isOpen"
    :title="count > 1 ? `Put ${count} alerts aside` : 'Put this alert aside'"
    @close="emit('done')"
  >
    <form class="mt-3 grid gap-4" @submit.prevent="shelve">
      <p class="text-quiet">
        It leaves the queue and calls again when the time is over, or at once if it grows more urgent.
      </p>
      <label>
        Why can it wait?
        <textarea v-model="reason" class="field mt-1" rows="2" maxlength="1000" required></textarea>
      </label>
      <label>
        For how long?
        <select v-model="hours" class="field mt-1">
          <option v-for="[value, words] in ENDS" :key="value" :value="value">{{ words }}</option>
        </select>
      </label>
      <p>
        It calls again at <span class="figure">{{ clock(until, new Date()) }}</span>.
      </p>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="!reason.trim() || isBusy">
          Put it aside
        </button>
        <button type="button" class="button" @click="emit('done')">Leave it in the queue</button>
      </div>
    </form>
  </AppDialog>
</template>
