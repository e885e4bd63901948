<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { VehicleGlance } from '@/api/fleet';
import CombinationStrip from '@/shared/CombinationStrip.vue';
import { stateWords, vehicleKindWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { kindWords, urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { need } from './rows';

/** The cells of one vehicle's line. */
const props = defineProps<{
  vehicle: VehicleGlance;
  /** What hangs behind it, from the front. */
  pulls: VehicleGlance[];
  isDeparture: boolean;
}>();

const { age } = useClock();
const urgency = computed(() => need(props.vehicle));
const hasSensors = computed(() => props.vehicle.sensors.some(Boolean));
const first = computed(() => props.vehicle.alerts[0]);
const reasons = computed(() => props.vehicle.departure.reasons);
</script>

<template>
  <span role="rowheader" class="font-medium">
    <RouterLink
      :to="{ name: 'vehicle', params: { vehicleRef: vehicle.ref } }"
      class="figure block py-1 max-sm:py-3"
      >{{ vehicle.ref }}</RouterLink
    >
  </span>
  <span role="cell" class="figure hidden truncate text-quiet min-[68rem]:block">{{ vehicle.plate }}</span>
  <span role="cell" class="overflow-hidden"><CombinationStrip :vehicles="[vehicle, ...pulls]" /></span>
  <span role="cell" class="hidden truncate pr-3 min-[52rem]:block">
    <template v-if="first">
      <RouterLink :to="{ name: 'desk', params: { id: first.id } }" class="text-ink"
        ><span class="figure">{{ first.position }}</span> {{ kindWords(first.kind) }}</RouterLink
      >
      <span v-if="vehicle.alerts.length > 1" class="text-quiet">
        and {{ vehicle.alerts.length - 1 }} more</span
      >
    </template>
    <span v-else-if="vehicle.state !== 'IN_SERVICE'" class="text-quiet">{{ stateWords(vehicle.state) }}</span>
    <span v-else-if="!hasSensors" class="text-quiet">no sensors yet</span>
    <span v-else class="text-quiet">{{ vehicleKindWords(vehicle.kind) }}</span>
    <span v-if="vehicle.behind" class="text-quiet">
      behind <span class="figure">{{ vehicle.behind }}</span></span
    >
  </span>
  <span role="cell" class="figure hidden text-right text-quiet min-[68rem]:block">{{
    age(vehicle.lastHeardAt)
  }}</span>
  <span
    role="cell"
    class="pl-5 leading-tight line-clamp-2 min-[52rem]:line-clamp-none min-[52rem]:truncate"
    :title="isDeparture ? reasons.join(', ') : undefined"
  >
    <template v-if="isDeparture">
      <span
        v-if="reasons.length"
        :class="vehicle.departure.verdict === 'NOT_YET' ? 'font-medium' : 'text-quiet'"
        >{{ reasons[0]
        }}<template v-if="reasons.length > 1"> and {{ reasons.length - 1 }} more</template></span
      >
    </template>
    <span v-else-if="urgency" class="flex items-center gap-2 font-semibold" :class="urgencyText(urgency)">
      <UrgencyMark :urgency="urgency" /> {{ urgencyWords(urgency) }}
    </span>
  </span>
</template>
