<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useAlertActions, type AlertDetail } from '@/api/fleet';
import AppDialog from '@/shared/AppDialog.vue';
import { clock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Putting an alert aside needs a reason and an end; then it calls again. */
const props = defineProps<{ isOpen: boolean; detail: AlertDetail }>();
const emit = defineEmits<{ done: [] }>();

const actions = useAlertActions();
const reason = ref('');
const hours = ref(8);
const { trouble, isBusy, attempt } = useAttempt();
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
    trouble.value = '';
  },
);

const until = computed(() => new Date(Date.now() + hours.value * 3_600_000));

const shelve = () =>
  attempt(async () => {
    await actions.shelve(props.detail.item.id, { reason: reason.value, until: until.value.toISOString() });
    emit('done');
  });
</script>

<template>
  <AppDialog :is-open="isOpen" title="Put this alert aside" @close="emit('done')">
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
