<script setup lang="ts" generic="N extends string">
import { useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { ticks, type Handle } from './ruler';
import { useKeys } from '@/shared/keys';

/** A scale with handles that are dragged, or moved by keys. */
export interface RulerHandle<T extends string> extends Handle<T> {
  hue: string;
  /** What stands above it, under its words. */
  figure: string;
  isFixed?: boolean;
}
export interface RulerUnit {
  /** What is on the ruler, as a number of this unit. */
  to: (value: number) => number;
  /** The reverse. */
  from: (value: number) => number;
  symbol: string;
}
const props = defineProps<{
  label: string;
  handles: RulerHandle<N>[];
  from: number;
  to: number;
  /** From where to where it is shaded, and in which hue. */
  bands: { from: number; to: number; hue: string }[];
  unit: RulerUnit;
  /** Shown beneath the reader's own. */
  other: RulerUnit;
  /** How far a key moves a handle. */
  step: number;
}>();
const emit = defineEmits<{ move: [name: N, value: number] }>();

const HEIGHT = 118;
const LINE = 72;
const EDGE = 34;
const PAGE_STEPS = 5;
const frame = useTemplateRef('frame');
const { width } = useElementSize(frame);
const inner = computed(() => Math.max(120, width.value - 2 * EDGE));
const x = (value: number) =>
  EDGE + (Math.min(1, Math.max(0, (value - props.from) / (props.to - props.from))) * inner.value || 0);
const marks = (unit: RulerUnit) =>
  ticks(unit.to(props.from), unit.to(props.to), Math.max(3, Math.floor(inner.value / 80))).map((value) => ({
    value,
    x: x(unit.from(value)),
  }));
const own = computed(() => marks(props.unit));
const others = computed(() => marks(props.other));
const dragged = ref<N>();

function valueAt(event: PointerEvent): number {
  const left = frame.value?.getBoundingClientRect().left ?? 0;
  return props.from + ((event.clientX - left - EDGE) / inner.value) * (props.to - props.from);
}

function grab(handle: RulerHandle<N>, event: PointerEvent): void {
  if (handle.isFixed) return;
  dragged.value = handle.name;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}

function drag(event: PointerEvent): void {
  if (dragged.value) emit('move', dragged.value, valueAt(event));
}

useKeys('A handle of a ruler that has the focus', [
  ['← →', 'a little lower or higher'],
  ['Page ↑ ↓', 'much lower or higher'],
]);

function press(handle: RulerHandle<N>, event: KeyboardEvent): void {
  const steps = {
    ArrowLeft: -1,
    ArrowDown: -1,
    ArrowRight: 1,
    ArrowUp: 1,
    PageDown: -PAGE_STEPS,
    PageUp: PAGE_STEPS,
  }[event.key];
  if (!steps || handle.isFixed) return;
  emit('move', handle.name, handle.value + steps * props.step);
  event.preventDefault();
}

/** Nearer to each other than this their words would run into one, px. */
const TOO_NEAR = 46;
/** The place on the ruler says that it is a limit. */
const drawn = (handle: RulerHandle<N>) => handle.words.replace(/ limit$/, '');

/** Words of neighbours that are near give way to either side. */
function anchor(handle: RulerHandle<N>): 'start' | 'middle' | 'end' {
  const own = x(handle.value);
  const gaps = props.handles.filter((one) => one !== handle).map((one) => x(one.value) - own);
  const isLeftNear = gaps.some((gap) => gap <= 0 && gap > -TOO_NEAR);
  const isRightNear = gaps.some((gap) => gap > 0 && gap < TOO_NEAR);
  return isLeftNear === isRightNear ? 'middle' : isLeftNear ? 'start' : 'end';
}
</script>

<template>
  <div ref="frame" class="relative w-full touch-none select-none">
    <svg :width="width || 300" :height="HEIGHT" class="block" role="group" :aria-label="label">
      <rect
        v-for="(band, i) in bands"
        :key="i"
        :x="x(band.from)"
        :y="LINE - 12"
        :width="Math.max(0, x(band.to) - x(band.from))"
        height="12"
        :fill="band.hue"
        opacity="0.22"
      />
      <path :d="`M${EDGE} ${LINE}h${inner}`" stroke="var(--ink)" stroke-width="1.4" />
      <g font-family="var(--font-mono)" font-size="11" text-anchor="middle" aria-hidden="true">
        <g v-for="mark in own" :key="mark.value">
          <path :d="`M${mark.x} ${LINE}v6`" stroke="var(--ink)" />
          <text :x="mark.x" :y="LINE + 20" fill="var(--ink)">{{ mark.value }}</text>
        </g>
        <text v-for="mark in others" :key="`o${mark.value}`" :x="mark.x" :y="LINE + 38" fill="var(--quiet)">
          {{ mark.value }}
        </text>
        <text :x="4" :y="LINE + 20" fill="var(--ink)" text-anchor="start">{{ unit.symbol }}</text>
        <text :x="4" :y="LINE + 38" fill="var(--quiet)" text-anchor="start">{{ other.symbol }}</text>
      </g>
      <g
        v-for="handle in handles"
        :key="handle.name"
        role="slider"
        :tabindex="handle.isFixed ? undefined : 0"
        :aria-label="handle.words"
        :aria-valuemin="Math.round(unit.to(from) * 100) / 100"
        :aria-valuemax="Math.round(unit.to(to) * 100) / 100"
        :aria-valuenow="Math.round(unit.to(handle.value) * 100) / 100"
        :aria-valuetext="handle.figure"
        :aria-disabled="handle.isFixed || undefined"
        :class="handle.isFixed ? '' : 'cursor-ew-resize'"
        @pointerdown="grab(handle, $event)"
        @pointermove="drag"
        @pointerup="dragged = undefined"
        @pointercancel="dragged = undefined"
        @keydown="press(handle, $event)"
      >
        <rect :x="x(handle.value) - 22" y="0" width="44" :height="LINE + 8" fill="transparent" />
        <path
          :d="`M${x(handle.value)} ${LINE}V${LINE - 16}l-7 -8v-8h14v8l-7 8`"
          :fill="handle.hue"
          :stroke="handle.hue"
          stroke-width="1.6"
        />
        <text
          :x="x(handle.value)"
          y="13"
          :text-anchor="anchor(handle)"
          font-size="12"
          font-weight="600"
          :fill="handle.hue"
        >
          {{ drawn(handle) }}
        </text>
        <text
          :x="x(handle.value)"
          y="29"
          :text-anchor="anchor(handle)"
          font-size="12"
          fill="var(--ink)"
          font-family="var(--font-mono)"
        >
          {{ handle.figure }}
        </text>
      </g>
    </svg>
  </div>
</template>
