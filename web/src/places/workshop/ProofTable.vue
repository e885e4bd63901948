<script setup lang="ts">
import type { JobItem } from '@/api/jobs';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { vStacked } from '@/shared/stacked';

/** Every wheel of the job: what is heard of it, and what is still missing. */
defineProps<{ job: JobItem; chosen?: string | undefined }>();
const emit = defineEmits<{ choose: [position: string] }>();

const units = useUnits();
const { age } = useClock();
const volts = (mv: number) => (mv / 1000).toFixed(2);
</script>

<template>
  <SidewaysScroll label="Every wheel">
    <table v-stacked class="w-full whitespace-nowrap [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="font-normal">Wheel</th>
          <th scope="col" class="font-normal">Sensor</th>
          <th scope="col" class="text-right font-normal">Heard</th>
          <th scope="col" class="text-right font-normal">
            Messages<span class="spoken"> received of those sent</span>
          </th>
          <th scope="col" class="text-right font-normal">Signal, dBm</th>
          <th scope="col" class="text-right font-normal">Battery, V</th>
          <th scope="col" class="text-right font-normal">{{ units.pressureSymbol.value }}</th>
          <th scope="col" class="text-right font-normal">Gauge</th>
          <th scope="col" class="font-normal">Missing</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="wheel in job.wheels"
          :key="wheel.position"
          class="border-b border-rule"
          :class="{ 'bg-raised': wheel.position === chosen }"
        >
          <th scope="row">
            <button type="button" class="link figure py-1" @click="emit('choose', wheel.position)">
              {{ wheel.position }}
            </button>
          </th>
          <td class="figure">{{ wheel.code }}</td>
          <td class="figure text-right">
            {{ wheel.state.at ? age(wheel.state.at) : wheel.code ? 'never' : '' }}
            <span v-if="wheel.hearing === 'ASLEEP'" class="text-quiet">asleep</span>
            <span v-else-if="wheel.hearing === 'SILENT'" class="font-semibold text-next">silent</span>
          </td>
          <td class="figure text-right">
            <template v-if="wheel.code">{{ wheel.received }}/{{ wheel.expected }}</template>
          </td>
          <td class="figure text-right">{{ wheel.rssiDbm ?? '' }}</td>
          <td class="figure text-right">
            {{ typeof wheel.batteryMv === 'number' ? volts(wheel.batteryMv) : '' }}
          </td>
          <td class="figure text-right">
            {{
              typeof wheel.state.pressureKpa === 'number' ? units.pressureNumber(wheel.state.pressureKpa) : ''
            }}
          </td>
          <td class="figure text-right" :class="{ 'text-stop': wheel.gauge?.agrees === false }">
            {{ wheel.gauge ? units.pressureNumber(wheel.gauge.gaugeKpa) : '' }}
          </td>
          <td :class="wheel.missing.length ? 'text-next' : 'text-quiet'">
            <span class="block w-44 whitespace-normal">{{
              wheel.leftOut
                ? `left out: ${wheel.leftOut.reason}`
                : wheel.takenAsProven
                  ? 'answered for'
                  : wheel.missing.join(', ') || 'proven'
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </SidewaysScroll>
</template>
