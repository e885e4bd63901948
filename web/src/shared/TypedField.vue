<script setup lang="ts">
import { nextTick, ref, useId, useTemplateRef, watch } from 'vue';
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

const field = useTemplateRef('field');

watch(
  () => props.shown,
  async (now) => {
    if (trouble.value || text.value === now) return;
    const isWhole = field.value?.selectionEnd === text.value.length && field.value.selectionStart === 0;
    text.value = now;
    await nextTick();
    // What was chosen to be typed over, as by the Tab key, stays chosen.
    if (isWhole && document.activeElement === field.value) field.value?.select();
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
      ref="field"
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
