<script setup lang="ts">
import { ref, useId, watch } from 'vue';
import { useUnread } from './unread';

/**
 * A field in a table that takes effect when it is left. What cannot be read stays in it, is said, and holds everything back.
 */
const props = defineProps<{
  label: string;
  /** What it shows while nothing is typed. */
  shown: string;
  /** What `text` means: null where it is empty and may be; a sentence where it cannot be read. */
  read: (text: string) => number | null | string;
  placeholder?: string;
  /** In a column of figures. */
  isInTable?: boolean;
}>();
const emit = defineEmits<{ typed: [value: number | null] }>();

const text = ref(props.shown);
const trouble = ref('');
const id = useId();
useUnread(() => (trouble.value ? props.label : undefined));

watch(
  () => props.shown,
  (now) => {
    if (!trouble.value) text.value = now;
  },
);

function take(): void {
  const value = props.read(text.value);
  trouble.value = typeof value === 'string' ? value : '';
  if (typeof value === 'string') return;
  text.value = props.shown;
  emit('typed', value);
}
</script>

<template>
  <span class="inline-block">
    <input
      v-model="text"
      class="field figure py-0.5!"
      :class="{ 'text-right': isInTable }"
      inputmode="decimal"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-label="label"
      :aria-invalid="Boolean(trouble)"
      :aria-describedby="trouble ? `${id}-off` : undefined"
      @change="take"
    />
    <span v-if="trouble" :id="`${id}-off`" class="block text-stop">{{ trouble }}</span>
  </span>
</template>
