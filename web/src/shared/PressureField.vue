<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { useSession } from '@/api/session';
import { isPressure, otherPressures, parsePressure, unitMeant } from './quantity';
import { useUnread } from './unread';
import { PRESSURE_UNITS, useUnits } from './units';

/** A pressure typed in any unit, kept in kPa, with the other units beneath. */
const props = defineProps<{
  label: string;
  isOptional?: boolean;
  /** A difference of pressures: small figures are what is meant. */
  isDifference?: boolean;
  fault?: string | undefined;
}>();
const kpa = defineModel<number | null>({ required: true });

const units = useUnits();
const { preferences } = useSession();
const own = computed(() => preferences.value.pressureUnit);
const shown = (value: number | null) => (typeof value === 'number' ? units.pressureNumber(value) : '');
const text = ref(shown(kpa.value));
const isTyping = ref(false);
const typed = computed(() => {
  const value = parsePressure(text.value, own.value);
  return value !== undefined && isPressure(value, props.isDifference) ? value : undefined;
});
/** Another unit than the field's in which the figure would be one: asked about, not taken. */
const meant = computed(() => (props.isDifference ? undefined : unitMeant(text.value, own.value)));
const isOff = computed(() =>
  text.value.trim() === ''
    ? !props.isOptional && !isTyping.value
    : typed.value === undefined || meant.value !== undefined,
);
const id = useId();
useUnread(() => (isOff.value ? props.label : undefined));

watch([kpa, own], () => {
  if (!isTyping.value) text.value = shown(kpa.value);
});

function take(): void {
  isTyping.value = true;
  if (text.value.trim() === '') kpa.value = props.isOptional ? null : kpa.value;
  else if (typed.value !== undefined && !meant.value) kpa.value = Math.round(typed.value * 1000) / 1000;
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
      <template v-if="meant">
        {{ text.trim() }}&nbsp;{{ units.pressureSymbol.value }} is no tyre pressure. If you mean
        {{ PRESSURE_UNITS[meant].symbol }}, write {{ text.trim() }}&nbsp;{{ PRESSURE_UNITS[meant].symbol }};
        otherwise write the unit.
      </template>
      <template v-else-if="isOff">Write a pressure, such as 780 kPa, 7.8 bar or 113 psi.</template>
      <template v-else-if="fault">{{ fault }}</template>
      <span v-else-if="typeof kpa === 'number'" class="figure">{{ otherPressures(kpa, own) }}</span>
    </span>
  </label>
</template>
