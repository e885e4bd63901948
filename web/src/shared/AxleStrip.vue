<script setup lang="ts">
import { computed } from 'vue';
import { roleWords } from './position';
import {
  LABELS,
  layOut,
  stripText,
  wheelText,
  type StripSize,
  type StripVehicle,
  type StripWheelState,
} from './strip';
import StripWheel from './StripWheel.vue';
import { useClock } from './time';
import { useUnits } from './units';

/** A vehicle in the grammar used at every scale: front at the left, left wheels above the spine. */
const props = withDefaults(
  defineProps<{
    vehicle: StripVehicle;
    size?: StripSize;
    chosen?: string | undefined;
    /** Number of the axle that is worked on. */
    chosenAxle?: number | undefined;
    /** What is written into wheels instead of their pressure. */
    marks?: Record<string, string> | undefined;
    /** Whether wheels can be chosen; each is then a button. */
    isInteractive?: boolean;
    /** Whether a wheel can be dragged to another. */
    isCarrying?: boolean;
    /** Whether another vehicle hangs before or behind it: the spine goes on to the hook. */
    isHookedBefore?: boolean;
    isHookedBehind?: boolean;
    /** Whether it fills the width of what is around it. */
    fills?: boolean;
    /** How many times its size it may grow where there is room. */
    grow?: number;
  }>(),
  { grow: 1, size: 'row', chosen: undefined, chosenAxle: undefined, marks: undefined, isInteractive: false },
);
const emit = defineEmits<{ choose: [position: string]; carry: [from: string, to: string] }>();

/** A drag ends with a click on what was picked up, which is no choice. */
let isCarried = false;
function choose(position: string): void {
  if (!isCarried) emit('choose', position);
  isCarried = false;
}

/** Where a wheel is let go that was picked up elsewhere on this strip. */
function letGo(from: string, event: PointerEvent): void {
  const under = document.elementFromPoint(event.clientX, event.clientY)?.closest<SVGGElement>('[data-wheel]');
  const to = under?.dataset.wheel;
  const isOwn = under?.ownerSVGElement === (event.currentTarget as SVGGElement).ownerSVGElement;
  isCarried = Boolean(props.isCarrying && isOwn && to && to !== from);
  if (isCarried && to) emit('carry', from, to);
}

const units = useUnits();
const { age } = useClock();

const strip = computed(() => layOut(props.vehicle, props.size, props.isHookedBehind));
const isPage = computed(() => props.size === 'page');
const height = computed(() => strip.value.height + (isPage.value ? LABELS : 0));
const words = computed(
  () => `Wheels of ${props.vehicle.ref}. ${stripText(props.vehicle.wheels, units.temperatureWords)}`,
);
const spineWidth = computed(() => (isPage.value ? 2 : 1.1));

function figure(wheel: StripWheelState): string {
  if (props.marks) return props.marks[wheel.position] ?? '';
  if (wheel.condition === 'ASLEEP') return age(wheel.at);
  return typeof wheel.pressureAt20Kpa === 'number' ? units.pressureNumber(wheel.pressureAt20Kpa) : '';
}

/** A bar from left to right; open in the middle where the axle can be lifted. */
function crossBar(x: number, isLiftable: boolean): string {
  const reach = isPage.value ? 15 : 3.5;
  const y = strip.value.spineY;
  return isLiftable
    ? `M${x} ${y - reach}v${reach * 0.55}M${x} ${y + reach}v${-reach * 0.55}`
    : `M${x} ${y - reach}v${reach * 2}`;
}
</script>

<template>
  <svg
    :style="{ width: fills ? '100%' : `max(${strip.width}px, min(100%, ${strip.width * grow}px))` }"
    :height="grow === 1 && !fills ? height : undefined"
    :viewBox="`0 0 ${strip.width} ${height}`"
    :role="isInteractive ? 'group' : 'img'"
    :aria-label="words"
    class="block shrink-0"
  >
    <path
      :d="`M${isHookedBefore ? 0 : strip.spineFrom} ${strip.spineY}H${isHookedBehind ? strip.width : strip.spineTo}`"
      stroke="var(--ink)"
      :stroke-width="spineWidth"
    />
    <path
      v-for="(axle, i) in strip.axles"
      :key="i"
      :d="crossBar(axle.x, axle.isLiftable)"
      stroke="var(--ink)"
      :stroke-width="spineWidth"
    />
    <template v-for="wheel in strip.wheels" :key="wheel.state.position">
      <g
        v-if="isInteractive"
        role="button"
        tabindex="0"
        class="cursor-pointer"
        :class="{ 'touch-none': isCarrying }"
        :data-wheel="wheel.state.position"
        :aria-label="wheelText(wheel.state, units.temperatureWords, figure(wheel.state))"
        :aria-pressed="chosen === wheel.state.position"
        @click="choose(wheel.state.position)"
        @pointerdown="
          isCarried = false;
          isCarrying && ($event.currentTarget as SVGGElement).setPointerCapture($event.pointerId);
        "
        @pointerup="letGo(wheel.state.position, $event)"
        @keydown.enter.space.prevent="emit('choose', wheel.state.position)"
      >
        <StripWheel
          :wheel="wheel"
          :size="size"
          :figure="figure(wheel.state)"
          :is-chosen="chosen === wheel.state.position"
        />
      </g>
      <StripWheel
        v-else
        :wheel="wheel"
        :size="size"
        :figure="figure(wheel.state)"
        :is-chosen="chosen === wheel.state.position"
      />
    </template>
    <g v-if="isPage" aria-hidden="true" font-size="12" fill="var(--quiet)" text-anchor="middle">
      <text
        v-for="(axle, i) in strip.axles"
        :key="i"
        :x="axle.x"
        :y="height - 5"
        :fill="chosenAxle === i + 1 ? 'var(--action)' : undefined"
        :font-weight="chosenAxle === i + 1 ? 600 : undefined"
      >
        {{ i + 1 }} {{ roleWords(axle.role) }}
      </text>
    </g>
  </svg>
</template>
