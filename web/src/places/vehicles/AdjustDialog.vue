<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Schemas } from '@/api/client';
import { useAdjustment } from '@/api/fleet';
import AppDialog from '@/shared/AppDialog.vue';
import { placeWords } from '@/shared/position';
import PressureField from '@/shared/PressureField.vue';
import { useAttempt } from '@/shared/useAttempt';

/** Records that somebody set a pressure: from then on the wheel is to keep what it has. */
const props = defineProps<{
  isOpen: boolean;
  vehicleRef: string;
  position: string;
  /** Takes the record instead of the server, where there may be no signal. */
  take?: (record: Schemas['AdjustmentRequest']) => Promise<void>;
}>();
const emit = defineEmits<{ done: [] }>();

const adjust = useAdjustment();
const minutesAgo = ref(0);
const before = ref<number | null>(null);
const after = ref<number | null>(null);
const note = ref('');
const { trouble, isBusy, attempt } = useAttempt();
const TIMES: [number, string][] = [
  [0, 'just now'],
  [15, 'a quarter of an hour ago'],
  [60, 'an hour ago'],
  [240, 'four hours ago'],
  [1_440, 'yesterday at this time'],
];

watch(
  () => props.isOpen,
  () => {
    minutesAgo.value = 0;
    before.value = null;
    after.value = null;
    note.value = '';
    trouble.value = '';
  },
);

const record = () =>
  attempt(async () => {
    const record = {
      // The server's own clock is best, where it is asked at once.
      at:
        props.take || minutesAgo.value
          ? new Date(Date.now() - minutesAgo.value * 60_000).toISOString()
          : null,
      beforeKpa: before.value,
      afterKpa: after.value,
      note: note.value || null,
    };
    await (props.take ? props.take(record) : adjust(props.vehicleRef, props.position, record));
    emit('done');
  });
</script>

<template>
  <AppDialog
    :is-open="isOpen"
    :title="`Pressure set at ${vehicleRef}, ${placeWords(position)}`"
    @close="emit('done')"
  >
    <form class="mt-3 grid gap-4" @submit.prevent="record">
      <p class="text-quiet">
        From then on this wheel is to keep what it was given. If the air shows at another wheel, the two have
        each other’s sensors, and you are told so.
      </p>
      <label>
        When was that?
        <select v-model="minutesAgo" class="field mt-1">
          <option v-for="[value, words] in TIMES" :key="value" :value="value">{{ words }}</option>
        </select>
      </label>
      <div class="grid grid-cols-2 gap-4">
        <PressureField v-model="before" label="Hand gauge before" is-optional />
        <PressureField v-model="after" label="Hand gauge after" is-optional />
      </div>
      <label>
        Note
        <input v-model="note" class="field mt-1" maxlength="1000" />
      </label>
      <p class="text-quiet">
        {{ $t('vehicles.doNotInflateSoft') }}
      </p>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="isBusy">Record it</button>
        <button type="button" class="button" @click="emit('done')">Do not record</button>
      </div>
    </form>
  </AppDialog>
</template>
