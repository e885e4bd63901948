<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { useSession } from '@/api/session';
import { otherPressures, parsePressure } from './quantity';
import { useUnits } from './units';

/** A pressure typed in any unit, kept in kPa, with the other units beneath. */
const props = defineProps<{ label: string; isOptional?: boolean; fault?: string | undefined }>();
const kpa = defineModel<number | null>({ required: true });

const units = useUnits();
const { preferences } = useSession();
const own = computed(() => preferences.value.pressureUnit);
const shown = (value: number | null) => (typeof value === 'number' ? units.pressureNumber(value) : '');
const text = ref(shown(kpa.value));
const isTyping = ref(false);
const typed = computed(() => parsePressure(text.value, own.value));
const isOff = computed(() =>
  text.value.trim() === '' ? !props.isOptional && !isTyping.value : typed.value === undefined,
);
const id = useId();

watch([kpa, own], () => {
  if (!isTyping.value) text.value = shown(kpa.value);
});

function take(): void {
  isTyping.value = true;
  if (text.value.trim() === '') kpa.value = props.isOptional ? null : kpa.value;
  else if (typed.value !== undefined) kpa.value = Math.round(typed.value * 1000) / 1000;
}

function leave(): void {
  isTyping.value = false;
  if (!isOff.value) text.value = shown(kpa.value);
}
</script>

<template>
  <label class="block" :for="id">
    {{ label }} <span class="text-quiet">{{ units.pressureSymbol.value }}</span>
    <input
      :id="id"
      v-model="text"
      class="field figure mt-0.5"
      inputmode="decimal"
      autocomplete="off"
      :aria-invalid="isOff || Boolean(fault)"
      :aria-describedby="`${id}-more`"
      @input="take"
      @blur="leave"
      @keydown.enter="leave"
    />
    <span :id="`${id}-more`" class="block min-h-5" :class="isOff || fault ? 'text-stop' : 'text-quiet'">
      <template v-if="isOff">Write a pressure, such as 780 kPa, 7.8 bar or 113 psi.</template>
      <template v-else-if="fault">{{ fault }}</template>
      <span v-else-if="typeof kpa === 'number'" class="figure">{{ otherPressures(kpa, own) }}</span>
    </span>
  </label>
</template>
