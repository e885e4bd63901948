<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { parseNumber } from './quantity';
import { useUnread } from './unread';

/** A number, with or without its unit typed along. What cannot be read stays in the field and holds everything back. */
const props = withDefaults(
  defineProps<{
    label: string;
    unit?: string | undefined;
    isOptional?: boolean;
    isWhole?: boolean;
    /** The label is for those who hear the page; others see what stands around it. */
    isLabelSpoken?: boolean;
    fault?: string | undefined;
    /** Below and above this it is refused; nothing that is counted or measured here is negative, but for a height. */
    least?: number;
    most?: number;
    /** What is said of what cannot be read, where the page speaks another language than the desk. */
    unreadWords?: string | undefined;
  }>(),
  { least: 0, most: 1e7, unit: undefined, fault: undefined, unreadWords: undefined },
);
const number = defineModel<number | null>({ required: true });
const emit = defineEmits<{ left: [] }>();

const shown = (value: number | null) => (typeof value === 'number' ? String(value) : '');
const text = ref(shown(number.value));
const isTyping = ref(false);
const typed = computed(() => {
  const value = parseNumber(text.value, props.unit);
  const isMeant =
    value !== undefined &&
    value >= props.least &&
    value <= props.most &&
    (!props.isWhole || Number.isInteger(value));
  return isMeant ? value : undefined;
});
const isOff = computed(() =>
  text.value.trim() === '' ? !props.isOptional && !isTyping.value : typed.value === undefined,
);
const id = useId();
useUnread(
  () => (isOff.value ? props.label : undefined),
  () => props.unreadWords,
);

watch(number, (now) => {
  if (!isTyping.value) text.value = shown(now);
});

function take(): void {
  isTyping.value = true;
  if (text.value.trim() === '') number.value = props.isOptional ? null : number.value;
  else if (typed.value !== undefined) number.value = typed.value;
}

function leave(): void {
  isTyping.value = false;
  if (isOff.value) return;
  text.value = shown(number.value);
  emit('left');
}
</script>

<template>
  <label class="block" :for="id">
    <span :class="{ spoken: isLabelSpoken }"
      >{{ label }}<template v-if="unit">, {{ unit }}</template></span
    >
    <input
      :id="id"
      v-model="text"
      class="field figure mt-0.5"
      inputmode="decimal"
      autocomplete="off"
      :aria-invalid="isOff || Boolean(fault)"
      :aria-describedby="isOff || fault ? `${id}-off` : undefined"
      @input="take"
      @blur="leave"
      @keydown.enter="leave"
    />
    <span v-if="isOff || fault" :id="`${id}-off`" class="block text-stop">
      <template v-if="isOff && unreadWords">{{ unreadWords }}</template>
      <template v-else-if="isOff"
        >Write a {{ isWhole ? 'whole ' : '' }}number from {{ least }} to {{ most.toLocaleString('en')
        }}{{ unit ? `, in ${unit}` : '' }}.</template
      >
      <template v-else>{{ fault }}</template>
    </span>
  </label>
</template>
