<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { VehicleItem } from '@/api/fleet';
import AxleStrip from '@/shared/AxleStrip.vue';
import { vehicleKindWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { kindWords, urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { need } from './rows';

/** One vehicle in a line. */
const props = defineProps<{ vehicle: VehicleItem }>();

const { age } = useClock();
const urgency = computed(() => need(props.vehicle));
const hasSensors = computed(() => props.vehicle.wheels.some((wheel) => wheel.sensor));
const first = computed(() => props.vehicle.alerts[0]);
</script>

<template>
  <tr class="border-t border-rule align-middle">
    <th scope="row" class="py-1 font-medium">
      <RouterLink :to="{ name: 'vehicle', params: { vehicleRef: vehicle.ref } }" class="figure block py-1">{{
        vehicle.ref
      }}</RouterLink>
    </th>
    <td class="figure hidden text-quiet sm:table-cell">{{ vehicle.plate }}</td>
    <td class="py-0.5"><AxleStrip :vehicle="vehicle" /></td>
    <td class="pr-3">
      <template v-if="first">
        <RouterLink :to="{ name: 'desk', params: { id: first.id } }" class="text-ink"
          ><span class="figure">{{ first.position }}</span> {{ kindWords(first.kind) }}</RouterLink
        >
        <span v-if="vehicle.alerts.length > 1" class="text-quiet">
          and {{ vehicle.alerts.length - 1 }} more</span
        >
      </template>
      <span v-else-if="!hasSensors" class="text-quiet">no sensors yet</span>
      <span v-else class="text-quiet">{{ vehicleKindWords(vehicle.kind) }}</span>
    </td>
    <td class="figure text-right text-quiet">{{ age(vehicle.lastHeardAt) }}</td>
    <td class="pl-5">
      <span v-if="urgency" class="flex items-center gap-2 font-semibold" :class="urgencyText(urgency)">
        <UrgencyMark :urgency="urgency" /> {{ urgencyWords(urgency) }}
      </span>
    </td>
  </tr>
</template>
