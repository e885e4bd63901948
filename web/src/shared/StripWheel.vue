<script setup lang="ts">
import { computed } from 'vue';
import { MEASURES, type DrawnWheel, type StripSize } from './strip';
import { urgencyHue } from './urgency';

/** One wheel of the strip: a level glass whose middle line is the target. */
const props = defineProps<{ wheel: DrawnWheel; size: StripSize; figure?: string; isChosen?: boolean }>();

/** This much off target fills the glass. */
const FULL_SCALE = 0.25;
/** Nearer to target than this is not worth ink. */
const AT_TARGET = 0.03;
/** Longer figures, such as an age, would touch the marks of the target. */
const MOST_LETTERS = 5;

const m = computed(() => MEASURES[props.size]);
const isPage = computed(() => props.size === 'page');
const state = computed(() => props.wheel.state);
const urgency = computed(() => state.value.urgency ?? undefined);
const isStop = computed(() => urgency.value === 'STOP_NOW');
const hue = computed(() => (urgency.value ? urgencyHue(urgency.value) : 'var(--ink)'));
const isAsleep = computed(() => state.value.condition === 'ASLEEP');
const radius = computed(() => (isPage.value ? 5 : 2.5));

const stroke = computed(() => {
  if (isStop.value || urgency.value === 'NEXT_STOP') return hue.value;
  return isAsleep.value || state.value.condition === 'NO_SENSOR' ? 'var(--quiet)' : 'var(--ink)';
});
const strokeWidth = computed(() => {
  if (urgency.value === 'NEXT_STOP') return isPage.value ? 3.5 : 2.6;
  return isPage.value ? (isAsleep.value ? 0.8 : 1.2) : isAsleep.value ? 0.7 : 1;
});
const dash = computed(() =>
  state.value.condition === 'SILENT' ? (isPage.value ? '6 4' : '3 2.2') : undefined,
);

const middle = computed(() => props.wheel.y + m.value.wheelHeight / 2);
const level = computed(() => {
  const deviation = state.value.deviation;
  if (typeof deviation !== 'number' || Math.abs(deviation) < AT_TARGET) return undefined;
  const share = Math.max(-1, Math.min(1, deviation / FULL_SCALE));
  return middle.value - (share * (m.value.wheelHeight - 2)) / 2;
});
const levelInk = computed(() => (isStop.value ? 'var(--paper)' : hue.value));

const teethPath = computed(() => {
  const n = props.wheel.teeth;
  if (!n) return undefined;
  const { wheelWidth, wheelHeight, tooth } = m.value;
  const step = wheelWidth / n;
  const base = props.wheel.outward < 0 ? props.wheel.y - 1.5 : props.wheel.y + wheelHeight + 1.5;
  const peak = base + props.wheel.outward * (tooth - 1);
  let path = `M${props.wheel.x} ${base}`;
  for (let i = 0; i < n; i++) {
    path += `L${props.wheel.x + (i + 0.5) * step} ${peak}L${props.wheel.x + (i + 1) * step} ${base}`;
  }
  return path;
});

const corner = computed(() => {
  const size = m.value.wheelHeight * (isPage.value ? 0.42 : 0.62);
  const x = props.wheel.x + m.value.wheelWidth;
  return `M${x} ${props.wheel.y}h${-size}l${size} ${size}z`;
});
</script>

<template>
  <g>
    <rect
      v-if="isChosen"
      :x="wheel.x - 5"
      :y="wheel.y - 5 - (wheel.outward < 0 && wheel.teeth ? m.tooth : 0)"
      :width="m.wheelWidth + 10"
      :height="m.wheelHeight + 10 + (wheel.teeth ? m.tooth : 0)"
      rx="8"
      fill="none"
      stroke="var(--action)"
      stroke-width="2"
    />
    <rect
      :x="wheel.x"
      :y="wheel.y"
      :width="m.wheelWidth"
      :height="m.wheelHeight"
      :rx="radius"
      :fill="isStop ? hue : 'var(--raised)'"
      :stroke="stroke"
      :stroke-width="strokeWidth"
      :stroke-dasharray="dash"
    />
    <template v-if="state.condition === 'NO_SENSOR'">
      <path
        :d="`M${wheel.x + 4} ${wheel.y + m.wheelHeight - 2}l${m.wheelHeight - 3} ${3 - m.wheelHeight}m3 0l${3 - m.wheelHeight} ${m.wheelHeight - 3}`"
        stroke="var(--quiet)"
        stroke-width="0.9"
        fill="none"
      />
    </template>
    <template v-if="level !== undefined">
      <rect
        :x="wheel.x + 1.5"
        :y="Math.min(level, middle)"
        :width="m.wheelWidth - 3"
        :height="Math.abs(level - middle)"
        :fill="levelInk"
        :opacity="isStop ? 0.35 : 0.28"
      />
      <path
        :d="`M${wheel.x + 1.5} ${level}h${m.wheelWidth - 3}`"
        :stroke="levelInk"
        :stroke-width="isPage ? 2 : 1.4"
      />
    </template>
    <path
      v-if="state.condition !== 'NO_SENSOR'"
      :d="`M${wheel.x} ${middle}h${isPage ? 5 : 3}M${wheel.x + m.wheelWidth} ${middle}h${isPage ? -5 : -3}`"
      :stroke="isStop ? 'var(--paper)' : 'var(--quiet)'"
      :stroke-width="isPage ? 1 : 0.8"
    />
    <text
      v-if="isPage && figure"
      :x="wheel.x + m.wheelWidth / 2"
      :y="middle + 4.6"
      text-anchor="middle"
      class="font-mono"
      :font-size="figure.length > MOST_LETTERS ? 11 : 13"
      :font-weight="urgency ? 600 : 400"
      :stroke="isStop ? hue : 'var(--raised)'"
      stroke-width="3"
      paint-order="stroke"
      :fill="isStop ? 'var(--paper)' : isAsleep ? 'var(--quiet)' : 'var(--ink)'"
    >
      {{ figure }}
    </text>
    <text
      v-if="!isPage && isStop"
      :x="wheel.x + 4.5"
      :y="middle + 2.8"
      text-anchor="middle"
      font-size="8"
      font-weight="600"
      fill="var(--paper)"
    >
      S
    </text>
    <path v-if="urgency === 'BEFORE_NEXT_TRIP'" :d="corner" :fill="hue" />
    <circle
      v-if="urgency === 'PLAN'"
      :cx="wheel.x + m.wheelWidth - (isPage ? 7 : 4)"
      :cy="wheel.y + (isPage ? 7 : 3.2)"
      :r="isPage ? 3.4 : 2"
      :fill="hue"
    />
    <path v-if="teethPath" :d="teethPath" fill="none" :stroke="hue" :stroke-width="isPage ? 1.8 : 1.3" />
  </g>
</template>
