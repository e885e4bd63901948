<script setup lang="ts">
import { RouterLink } from 'vue-router';
import type { VehicleItem } from '@/api/fleet';
import { useSession } from '@/api/session';
import { dutyWords, roleWords } from '@/shared/position';
import { useUnits } from '@/shared/units';
import { kpaOf, SHARES } from '@/shared/limits';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';

/** What each axle is held to, and where that comes from. */
defineProps<{ vehicle: VehicleItem }>();

const units = useUnits();
const { isManager } = useSession();
type Axle = VehicleItem['axles'][number];
const LEVELS = { FLEET: '', DUTY: ', by duty', TEMPLATE: ', template', AXLE: ', its own' };
const from = (axle: Axle, name: string) => LEVELS[axle.levels[name] ?? 'FLEET'];
const percent = (value: number) => `${Math.round(value * 10) / 10}`;

/** At what temperature its cold target holds, where that is not the temperature that pressures are judged at. */
const holds = (axle: VehicleItem['axles'][number]) =>
  axle.limits.coldKpa === axle.limits.targetKpa
    ? ''
    : `, its cold target at ${units.temperatureWords(axle.limits.referenceC)}${from(axle, 'referenceC')}`;
</script>

<template>
  <section>
    <h2 class="mb-1 text-base">
      Limits, and where they come from
      <RouterLink
        v-if="isManager"
        class="ml-3 font-normal print:hidden"
        :to="{ name: 'limits', query: { vehicle: vehicle.ref, axle: '1' } }"
        >Set them on the ruler</RouterLink
      >
    </h2>
    <SidewaysScroll label="Limits">
      <table v-stacked class="w-full max-w-4xl whitespace-nowrap [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Axle</th>
            <th scope="col" class="text-right font-normal">Target, {{ units.pressureSymbol.value }}</th>
            <th v-for="row in SHARES" :key="row.name" scope="col" class="text-right font-normal">
              <span class="inline-block first-letter:uppercase">{{ row.words }}</span>
            </th>
            <th scope="col" class="text-right font-normal">Hot, stop, {{ units.temperatureSymbol.value }}</th>
            <th scope="col" class="font-normal">Judged</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(axle, i) in vehicle.axles" :key="i" class="border-b border-rule">
            <th scope="row" class="py-1 font-medium">
              <span class="figure">{{ i + 1 }}</span> {{ roleWords(axle.role) }}
            </th>
            <td class="figure text-right">
              {{ units.pressureNumber(axle.limits.targetKpa)
              }}<span v-if="axle.limits.coldKpa !== axle.limits.targetKpa" class="block text-quiet"
                >cold {{ units.pressureNumber(axle.limits.coldKpa) }}</span
              >
            </td>
            <td v-for="row in SHARES" :key="row.name" class="text-right">
              <span class="figure">{{
                units.pressureNumber(kpaOf(row.name, axle.policy, axle.limits.targetKpa))
              }}</span>
              <span class="ml-2 text-quiet">
                {{ row.sign < 0 ? '−' : '+' }}{{ percent(axle.policy[row.name]) }}&nbsp;%{{
                  from(axle, row.name)
                }}</span
              >
            </td>
            <td class="text-right">
              <span class="figure"
                >{{ units.temperatureNumber(axle.limits.temperatureC) }},
                {{ units.temperatureNumber(axle.limits.temperatureCriticalC) }}</span
              ><span class="text-quiet">{{
                from(axle, 'temperatureC') || from(axle, 'temperatureCriticalC')
              }}</span>
            </td>
            <td>
              {{
                axle.limits.basis === 'COMPENSATED' && !axle.isBallasted
                  ? `at ${units.reference.value}${holds(axle)}`
                  : 'on the gauge'
              }}{{ axle.isBallasted ? ', liquid ballast' : from(axle, 'basis')
              }}{{ axle.isSelfInflating ? '; inflates itself' : '' }}
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <p class="mt-1.5 max-w-3xl text-quiet">
      What is not an axle’s own comes from
      <template v-if="vehicle.duty !== 'GENERAL'">its duty, {{ dutyWords(vehicle.duty) }}, and</template>
      the fleet’s policy. The targets are those of this vehicle’s description; the placard and the tyre
      maker’s table go first.
    </p>
  </section>
</template>
