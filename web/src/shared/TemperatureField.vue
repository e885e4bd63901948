<script setup lang="ts">
import { computed, ref, useId } from 'vue';
import { useSession } from '@/api/session';
import { isTemperature, parseTemperature } from './quantity';
import { useUnread } from './unread';
import { useUnits } from './units';

/** A temperature typed in any unit, kept in °C; empty is allowed. */
const props = defineProps<{ label: string; placeholder?: string }>();
const celsius = defineModel<number | null>({ required: true });

const units = useUnits();
const { preferences } = useSession();
const text = ref(typeof celsius.value === 'number' ? units.temperatureNumber(celsius.value) : '');
const typed = computed(() => {
  const value = parseTemperature(text.value, preferences.value.temperatureUnit);
  return value !== undefined && isTemperature(value) ? value : undefined;
});
const isOff = computed(() => text.value.trim() !== '' && typed.value === undefined);
const id = useId();
useUnread(() => (isOff.value ? props.label : undefined));

function take(): void {
  celsius.value = typed.value === undefined ? null : Math.round(typed.value * 10) / 10;
}
</script>

<template>
  <label class="block" :for="id">
    {{ label }}, {{ units.temperatureSymbol.value }}
    <input
      :id="id"
      v-model="text"
      class="field figure mt-0.5 block"
      inputmode="text"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-invalid="isOff"
      :aria-describedby="isOff ? `${id}-off` : undefined"
      @input="take"
    />
    <span v-if="isOff" :id="`${id}-off`" class="block text-stop"
      >Write a temperature, such as {{ units.temperatureWords(12) }}.</span
    >
  </label>
</template>
