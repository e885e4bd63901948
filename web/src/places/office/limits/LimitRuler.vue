<script setup lang="ts">
import { computed } from 'vue';
import type { LimitPolicy } from '@/api/limits';
import { useSession } from '@/api/session';
import { NBSP, number, PRESSURE_UNITS, TEMPERATURE_UNITS, useUnits } from '@/shared/units';
import { kpaOf, pctOf, type HeatName, type LimitName } from '@/shared/limits';
import { heated, moved, type HandleName } from './ruler';
import RulerScale, { type RulerHandle } from './RulerScale.vue';

/** The limits of an axle on a ruler for pressure and one for temperature. */
const props = defineProps<{ isTargetFixed?: boolean }>();
const policy = defineModel<LimitPolicy>('policy', { required: true });
const target = defineModel<number>('target', { required: true });

const units = useUnits();
const { preferences } = useSession();
const pressure = computed(() => PRESSURE_UNITS[preferences.value.pressureUnit]);
const otherPressure = computed(
  () => PRESSURE_UNITS[preferences.value.pressureUnit === 'PSI' ? 'KPA' : 'PSI'],
);
const temperature = computed(() => TEMPERATURE_UNITS[preferences.value.temperatureUnit]);
const otherTemperature = computed(
  () => TEMPERATURE_UNITS[preferences.value.temperatureUnit === 'CELSIUS' ? 'FAHRENHEIT' : 'CELSIUS'],
);
type Unit = { factor: number; offset: number; symbol: string };
const asUnit = (unit: Unit) => ({
  to: (value: number) => value / unit.factor + unit.offset,
  from: (value: number) => (value - unit.offset) * unit.factor,
  symbol: unit.symbol,
});
const pct = (value: number) => `${number(Math.round(value * 10) / 10, value % 1 ? 1 : 0)}${NBSP}%`;

const from = computed(() => target.value * (1 - Math.max(0.3, policy.value.lowCriticalPct / 100 + 0.06)));
const to = computed(() => target.value * (1 + Math.max(0.2, policy.value.highPct / 100 + 0.06)));
const kpa = (name: LimitName) => kpaOf(name, policy.value, target.value);
const pressureHandles = computed<RulerHandle<HandleName>[]>(() => [
  {
    name: 'lowCriticalPct',
    words: 'second limit',
    value: kpa('lowCriticalPct'),
    hue: 'var(--stop)',
    figure: `−${pct(policy.value.lowCriticalPct)}`,
  },
  {
    name: 'lowPct',
    words: 'first limit',
    value: kpa('lowPct'),
    hue: 'var(--next)',
    figure: `−${pct(policy.value.lowPct)}`,
  },
  {
    name: 'target',
    words: 'target',
    value: target.value,
    hue: 'var(--ink)',
    figure: units.pressureNumber(target.value),
    isFixed: props.isTargetFixed,
  },
  {
    name: 'highPct',
    words: 'over',
    value: kpa('highPct'),
    hue: 'var(--next)',
    figure: `+${pct(policy.value.highPct)}`,
  },
]);
const heatHandles = computed<RulerHandle<HeatName>[]>(() => [
  {
    name: 'temperatureC',
    words: 'hot',
    value: policy.value.temperatureC,
    hue: 'var(--next)',
    figure: units.temperatureNumber(policy.value.temperatureC),
  },
  {
    name: 'temperatureCriticalC',
    words: 'stop',
    value: policy.value.temperatureCriticalC,
    hue: 'var(--stop)',
    figure: units.temperatureNumber(policy.value.temperatureCriticalC),
  },
]);

function move(name: HandleName, value: number): void {
  if (name === 'target') target.value = Math.round(Math.min(1200, Math.max(50, value)));
  else policy.value = moved(policy.value, name, pctOf(name, value, target.value));
}
const heat = (name: HeatName, value: number) => (policy.value = heated(policy.value, name, value));
</script>

<template>
  <div class="grid gap-2">
    <h2 class="text-base">
      Pressure, judged {{ policy.basis === 'COMPENSATED' ? `at ${units.reference.value}` : 'on the gauge' }}
    </h2>
    <RulerScale
      label="Pressure limits"
      :handles="pressureHandles"
      :from="from"
      :to="to"
      :bands="[
        { from, to: kpa('lowCriticalPct'), hue: 'var(--stop)' },
        { from: kpa('lowCriticalPct'), to: kpa('lowPct'), hue: 'var(--next)' },
        { from: kpa('highPct'), to, hue: 'var(--next)' },
      ]"
      :unit="asUnit(pressure)"
      :other="asUnit(otherPressure)"
      :step="target * 0.005"
      @move="move"
    />
    <h2 class="mt-2 text-base">Temperature</h2>
    <RulerScale
      label="Temperature limits"
      :handles="heatHandles"
      :from="40"
      :to="115"
      :bands="[
        { from: policy.temperatureC, to: policy.temperatureCriticalC, hue: 'var(--next)' },
        { from: policy.temperatureCriticalC, to: 115, hue: 'var(--stop)' },
      ]"
      :unit="asUnit(temperature)"
      :other="asUnit(otherTemperature)"
      :step="1"
      @move="heat"
    />
    <p class="text-quiet">
      Air in the tyre at {{ units.temperatureWords(82) }} to {{ units.temperatureWords(93) }} is a danger
      sign. The tyre maker’s figure goes before these.
    </p>
  </div>
</template>
