<script setup lang="ts">
import { placeOf } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { kindWords } from '@/shared/urgency';
import QueueLine from './QueueLine.vue';

/** A line of the queue that can be chosen with others. */
defineProps<{
  alert: AlertItem;
  isChosen: boolean;
  behind: number;
  mayChoose: boolean;
  isChecked: boolean;
}>();
const emit = defineEmits<{ choose: [isRange: boolean] }>();
</script>

<template>
  <div
    class="flex items-stretch border-l-3"
    :class="isChosen ? 'border-l-action bg-raised' : 'border-l-transparent'"
  >
    <label v-if="mayChoose" class="flex w-9 flex-none cursor-pointer items-center justify-center">
      <input
        type="checkbox"
        class="size-4"
        :checked="isChecked"
        :aria-label="`Choose ${placeOf(alert)}, ${kindWords(alert.kind)}`"
        @click="emit('choose', $event.shiftKey)"
      />
    </label>
    <QueueLine
      class="grow"
      :class="mayChoose ? 'pl-0.5' : 'pl-[17px]'"
      :alert="alert"
      :is-chosen="isChosen"
      :behind="behind"
    />
  </div>
</template>
