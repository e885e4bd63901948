<script setup lang="ts">
import type { VehicleItem } from '@/api/fleet';
import { limitsAt } from '@/shared/limits';
import { conditionWords } from '@/shared/strip';
import { useClock } from '@/shared/time';
import { deviationWords, useUnits } from '@/shared/units';
import { urgencyText, urgencyWords } from '@/shared/urgency';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';

/** Every wheel with its figures now, and how old they are. */
const props = defineProps<{ vehicle: VehicleItem; chosen: string | undefined }>();
const emit = defineEmits<{ choose: [position: string] }>();

const units = useUnits();
const { age } = useClock();
const target = (position: string) => limitsAt(props.vehicle, position)?.targetKpa;
</script>

<template>
  <SidewaysScroll label="Wheel sheet">
    <table v-stacked class="w-full text-[14px] whitespace-nowrap [&_td]:pr-2 [&_th]:pr-2">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 font-normal">Wheel</th>
          <th scope="col" class="text-right font-normal">
            At {{ units.reference.value }}, {{ units.pressureSymbol.value }}
          </th>
          <th scope="col" class="text-right font-normal">
            Gauge<span class="spoken">, {{ units.pressureSymbol.value }}</span>
          </th>
          <th scope="col" class="text-right font-normal">
            Target<span class="spoken">, {{ units.pressureSymbol.value }}</span>
          </th>
          <th scope="col" class="pl-4 font-normal">Deviation<span class="spoken"> from target</span></th>
          <th scope="col" class="text-right font-normal">{{ units.temperatureSymbol.value }}</th>
          <th scope="col" class="text-right font-normal">Heard<span class="spoken"> ago</span></th>
          <th scope="col" class="pl-4 font-normal">Sensor</th>
          <th scope="col" class="pl-4 font-normal">Condition</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="wheel in vehicle.wheels"
          :key="wheel.position"
          class="border-b border-rule"
          :class="{ 'bg-raised': wheel.position === chosen }"
        >
          <th scope="row" class="font-medium">
            <button
              type="button"
              class="link figure py-1"
              :aria-pressed="wheel.position === chosen"
              @click="emit('choose', wheel.position)"
            >
              {{ wheel.position }}
            </button>
          </th>
          <td class="figure text-right">
            {{ typeof wheel.pressureAt20Kpa === 'number' ? units.pressureNumber(wheel.pressureAt20Kpa) : '' }}
          </td>
          <td class="figure text-right">
            {{ typeof wheel.pressureKpa === 'number' ? units.pressureNumber(wheel.pressureKpa) : '' }}
          </td>
          <td class="figure text-right text-quiet">
            {{ target(wheel.position) ? units.pressureNumber(target(wheel.position) ?? 0) : '' }}
          </td>
          <td class="pl-4">
            {{ typeof wheel.deviation === 'number' ? deviationWords(wheel.deviation) : '' }}
          </td>
          <td class="figure text-right">
            {{ typeof wheel.temperatureC === 'number' ? units.temperatureNumber(wheel.temperatureC) : '' }}
          </td>
          <td class="figure text-right text-quiet">{{ wheel.sensor ? age(wheel.at) : '' }}</td>
          <td class="figure pl-4 text-quiet">{{ wheel.sensor }}</td>
          <td class="pl-4">
            <span v-if="wheel.urgency" class="font-semibold" :class="urgencyText(wheel.urgency)">{{
              urgencyWords(wheel.urgency)
            }}</span>
            <span v-else class="text-quiet">{{ conditionWords(wheel.condition) || 'in band' }}</span>
            <span v-if="wheel.isClockWrong" class="text-quiet"> its clock is wrong</span>
          </td>
        </tr>
      </tbody>
    </table>
  </SidewaysScroll>
</template>
