<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue';
import AxleStrip from './AxleStrip.vue';
import { LABELS, layOut, type StripSize, type StripVehicle } from './strip';

/** Vehicles that hang behind each other as one strip, from the front; a single vehicle is drawn as ever. */
const props = withDefaults(
  defineProps<{
    vehicles: StripVehicle[];
    size?: StripSize;
    /** Ref of the vehicle of which a wheel is chosen. */
    chosenIn?: string | undefined;
    chosen?: string | undefined;
    isInteractive?: boolean;
    /** How many times its size it may grow where there is room. */
    grow?: number;
  }>(),
  { grow: 1, size: 'row', chosen: undefined, chosenIn: undefined, isInteractive: false },
);
const emit = defineEmits<{ choose: [vehicle: string, position: string] }>();

const HOOKS: Record<StripSize, number> = { row: 14, page: 30 };
const hook = computed(() => HOOKS[props.size]);
const widths = computed(() => props.vehicles.map((vehicle) => layOut(vehicle, props.size).width));
const total = computed(
  () => widths.value.reduce((sum, one) => sum + one, 0) + (props.vehicles.length - 1) * hook.value,
);
/** Where there is no room for all of it, the vehicle that is spoken of is what is seen. */
const row = useTemplateRef('row');
watch(
  () => [props.chosenIn, props.vehicles.length, row.value],
  async () => {
    await nextTick();
    const part = row.value?.querySelector<HTMLElement>(
      `[data-vehicle="${CSS.escape(props.chosenIn ?? '')}"]`,
    );
    const around = row.value?.closest('.overflow-x-auto');
    if (part && around)
      around.scrollLeft +=
        part.getBoundingClientRect().left - around.getBoundingClientRect().left - hook.value;
  },
  { immediate: true },
);
const isPage = computed(() => props.size === 'page');
const line = computed(() => (isPage.value ? 2 : 1.1));
/** All are drawn to one scale: each takes its share of the width that there is. */
const share = (width: number) => ({
  width: `max(${width}px, min(${(100 * width) / total.value}%, ${width * props.grow}px))`,
});
</script>

<template>
  <AxleStrip
    v-if="vehicles.length === 1 && vehicles[0]"
    :vehicle="vehicles[0]"
    :size="size"
    :chosen="chosen"
    :is-interactive="isInteractive"
    :grow="grow"
    @choose="vehicles[0] && emit('choose', vehicles[0].ref, $event)"
  />
  <div v-else ref="row" class="flex items-center" :class="{ 'pt-5': isPage }">
    <template v-for="(vehicle, i) in vehicles" :key="vehicle.ref">
      <svg
        v-if="i > 0"
        aria-hidden="true"
        class="block shrink-0"
        :style="share(hook)"
        :viewBox="`0 0 ${hook} ${hook + (isPage ? LABELS : 0)}`"
        fill="none"
        stroke="var(--ink)"
        :stroke-width="line"
      >
        <path :d="`M0 ${hook * 0.5}H${hook * 0.3}M${hook * 0.7} ${hook * 0.5}H${hook}`" />
        <path
          :d="`M${hook * 0.3} ${hook * 0.5}a${hook * 0.2} ${hook * 0.2} 0 1 1 ${hook * 0.2} ${hook * 0.2}`"
          :stroke-width="line * 1.3"
        />
        <circle :cx="hook * 0.5" :cy="hook * 0.5" :r="line * 0.9" fill="var(--ink)" stroke="none" />
      </svg>
      <div class="relative shrink-0" :data-vehicle="vehicle.ref" :style="share(widths[i] ?? 0)">
        <p v-if="isPage" class="figure absolute -top-5 left-1 text-sm text-quiet">{{ vehicle.ref }}</p>
        <AxleStrip
          :vehicle="vehicle"
          :size="size"
          :chosen="chosenIn === vehicle.ref ? chosen : undefined"
          :is-interactive="isInteractive"
          :is-hooked-before="i > 0"
          :is-hooked-behind="i < vehicles.length - 1"
          :grow="grow"
          fills
          @choose="emit('choose', vehicle.ref, $event)"
        />
      </div>
    </template>
  </div>
</template>
