<script setup lang="ts">
import { computed } from 'vue';
import type { VehicleItem } from '@/api/fleet';
import { useWorkshopRules } from '@/api/rules';
import { useRetorques, useVehicleTyres } from '@/api/tyres';
import AxleStrip from '@/shared/AxleStrip.vue';
import { limitsAt } from '@/shared/limits';
import { place, placeWords, roleWords, vehicleKindWords } from '@/shared/position';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { dated, useClock } from '@/shared/time';
import { deviationWords, useUnits } from '@/shared/units';
import { urgencyWords } from '@/shared/urgency';
import { tyreWords } from '../stores/tyres/tyres';

/** The sheet of one vehicle. */
const props = defineProps<{ vehicle: VehicleItem }>();
const units = useUnits();
const { now } = useClock();
const { data: rules } = useWorkshopRules();
const { data: tyres } = useVehicleTyres(() => props.vehicle.ref);
const { data: nuts } = useRetorques(() => props.vehicle.ref);

const TO_WRITE = ['Hand gauge', 'Tread out', 'mid', 'in', 'Tyre', 'Valve', 'Nuts', 'Found, done'] as const;
/** A tread that is written down by it must pass: 4/32 in are 3.175 mm, and 3.17 mm fail. */
const least = (mm: number) => (Math.ceil(mm * 100) / 100).toFixed(2);

const rows = computed(() =>
  props.vehicle.wheels.map((wheel) => {
    const axle = props.vehicle.axles[place(wheel.position).axle - 1];
    return {
      wheel,
      role: axle ? roleWords(axle.role) : 'spare',
      limits: limitsAt(props.vehicle, wheel.position),
      tyre: tyres.value?.find((one) => one.position === wheel.position),
    };
  }),
);
</script>

<template>
  <article
    class="mt-4 [&:not(:first-of-type)]:break-before-page"
    :aria-label="`Inspection sheet of ${vehicle.ref}`"
  >
    <div class="flex flex-wrap items-baseline gap-x-5">
      <h1 class="text-xl">
        Inspection sheet <span class="figure font-semibold">{{ vehicle.ref }}</span>
      </h1>
      <span class="figure">{{ vehicle.plate }}</span>
      <span>{{ vehicleKindWords(vehicle.kind) }}</span>
      <span>{{ vehicle.depot }}</span>
      <span class="ml-auto text-quiet">as known on {{ dated(now) }}</span>
    </div>
    <div class="mt-2 flex flex-wrap items-start gap-x-8 gap-y-2 print:flex-nowrap">
      <SidewaysScroll :label="`Axles of ${vehicle.ref}`">
        <AxleStrip :vehicle="vehicle" size="page" />
      </SidewaysScroll>
      <div class="min-w-72 grow basis-80">
        <dl class="grid grid-cols-2 gap-x-6 gap-y-2">
          <div
            v-for="asked in ['Inspected by', 'Date and time', 'Distance, km', 'Hand gauge, calibrated on']"
            :key="asked"
          >
            <dt class="text-sm text-quiet">{{ asked }}</dt>
            <dd class="h-6 border-b border-ink"></dd>
          </div>
        </dl>
        <ul v-if="vehicle.alerts.length || nuts?.length" class="mt-2" aria-label="Look at this first">
          <li v-for="alert in vehicle.alerts" :key="alert.id">
            <span class="font-semibold">{{ urgencyWords(alert.urgency) }}:</span> {{ alert.summary }}
          </li>
          <li v-if="nuts?.length">
            <span class="font-semibold">Retorque wheel nuts:</span>
            {{ nuts.map((one) => one.position).join(', ') }}, by the vehicle maker’s torque
          </li>
        </ul>
      </div>
    </div>

    <SidewaysScroll :label="`Wheel by wheel: ${vehicle.ref}`" class="mt-2">
      <table class="sheet w-full min-w-[60rem] text-[13px] print:min-w-0">
        <thead>
          <tr class="text-left">
            <th scope="col">Wheel</th>
            <th scope="col">Tyre</th>
            <th scope="col">Target cold</th>
            <th scope="col">Its sensor said, {{ units.pressureSymbol.value }}</th>
            <th v-for="column in TO_WRITE" :key="column" scope="col" class="write">{{ column }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ wheel, role, limits, tyre } in rows" :key="wheel.position" class="align-top">
            <th scope="row" class="text-left font-normal">
              <span class="figure text-base font-semibold">{{ wheel.position }}</span><span class="spoken"
                >, {{ placeWords(wheel.position) }}</span
              >
              {{ role }}
            </th>
            <td>
              <template v-if="tyre">
                {{ tyreWords(tyre) }}<template v-if="tyre.isRetread">, retread</template
                ><template v-if="tyre.dateCode">, {{ tyre.dateCode }}</template
                ><template v-if="typeof tyre.treadMm === 'number'"
                  >; {{ tyre.treadMm.toFixed(1) }} mm<template v-if="tyre.treadAt">
                    on {{ dated(tyre.treadAt).split(',')[0] }}</template
                  ></template
                >
              </template>
            </td>
            <td class="figure whitespace-nowrap">
              <template v-if="limits?.coldKpa">
                <span class="block">{{ units.pressureWords(limits.coldKpa) }}</span>
                <span class="block text-quiet">at {{ units.temperatureWords(limits.referenceC) }}</span>
              </template>
            </td>
            <td class="figure whitespace-nowrap">
              <template v-if="typeof wheel.pressureKpa === 'number' && wheel.at">
                <span
                  v-if="typeof wheel.pressureAt20Kpa === 'number' && typeof wheel.deviation === 'number'"
                  class="block"
                  >{{ units.pressureNumber(wheel.pressureAt20Kpa) }} at {{ units.reference.value }},
                  {{ deviationWords(wheel.deviation) }}</span
                >
                <span class="block text-quiet"
                  >{{ units.pressureNumber(wheel.pressureKpa)
                  }}<template v-if="typeof wheel.temperatureC === 'number'">
                    at {{ units.temperatureWords(wheel.temperatureC) }}</template
                  >, {{ dated(wheel.at) }}</span
                ></template
              ><template v-else>{{ wheel.sensor ? 'nothing yet' : 'no sensor' }}</template>
            </td>
            <td v-for="column in TO_WRITE" :key="column" class="write"></td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>

    <p class="mt-2 text-[13px]">
      <template v-if="rules"
        >Least tread {{ least(rules.minTreadSteerMm) }} mm on steered axles, {{ least(rules.minTreadMm) }} mm
        elsewhere; no tyre older than {{ rules.maxAgeYears }} years. Local law goes first.
      </template>
      {{ $t('vehicles.coldFigures', { unit: units.pressureSymbol.value }) }}
    </p>
    <p class="mt-3 flex flex-wrap gap-x-8 gap-y-3 break-inside-avoid">
      <span v-for="result in ['fit to go', 'fit after repair', 'off the road']" :key="result">
        <span class="mr-1.5 inline-block size-4 border border-ink align-[-2px]"></span>{{ result }}
      </span>
      <span class="grow border-b border-ink pl-1 text-quiet">Signed</span>
    </p>
  </article>
</template>

<style scoped>
.sheet th,
.sheet td {
  border: 1px solid var(--rule);
  padding: 2px 5px;
}

.sheet .write {
  min-width: 2.9rem;
  border-color: var(--ink);
  font-weight: 400;
}

.sheet .write:last-child {
  width: 22%;
}

.sheet tbody tr {
  height: 2.4rem;
}
</style>
