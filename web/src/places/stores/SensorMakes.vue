<script setup lang="ts">
import { useSession } from '@/api/session';
import { useSensorMakes, useTargetActions } from '@/api/targets';
import { mountWords } from '@/shared/position';
import { parsePressure, unitMeant } from '@/shared/quantity';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import TypedField from '@/shared/TypedField.vue';
import { PRESSURE_UNITS, useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';

/** What the fleet's sensors are, mount by mount: how far they measure, and against what. */
const { data: makes } = useSensorMakes();
const { setMake } = useTargetActions();
const { isManager, preferences } = useSession();
const { trouble, attempt } = useAttempt();
const units = useUnits();
type Make = NonNullable<typeof makes.value>[number];

const shown = (make: Make) => (typeof make.rangeKpa === 'number' ? units.pressureNumber(make.rangeKpa) : '');

const change = (make: Make, how: { isVented?: boolean; rangeKpa?: number | null }) =>
  attempt(() => setMake(make.mount, { isVented: make.isVented, rangeKpa: make.rangeKpa ?? null, ...how }));

function readRange(text: string): number | null | string {
  if (!text.trim()) return null;
  const own = preferences.value.pressureUnit;
  const meant = unitMeant(text, own);
  if (meant) return `If you mean ${PRESSURE_UNITS[meant].symbol}, write the unit along.`;
  return parsePressure(text, own) ?? 'Write a pressure, such as 1000 kPa, 13.5 bar or 145 psi.';
}

function takeRange(make: Make, kpa: number | null): void {
  void change(make, { rangeKpa: kpa === null ? null : Math.round(kpa * 10) / 10 });
}
</script>

<template>
  <section aria-label="What our sensors are">
    <p class="max-w-3xl text-quiet">
      By the maker’s data sheet. Most take a fixed amount off the absolute pressure and do not follow height
      and weather, as a hand gauge does; a vented one does follow. A limit beyond the range would never be
      raised.
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <SidewaysScroll label="Sensors by how they are held">
      <table v-stacked class="mt-1 w-full max-w-3xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Held</th>
            <th scope="col" class="text-right font-normal">
              Measure up to, {{ units.pressureSymbol.value }}
            </th>
            <th scope="col" class="font-normal">Follow height and weather</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="make in makes" :key="make.mount" class="border-b border-rule">
            <th scope="row" class="py-1 font-medium">{{ mountWords(make.mount) }}</th>
            <td class="text-right">
              <TypedField
                v-if="isManager"
                class="my-1 w-28 text-right"
                is-in-table
                :shown="shown(make)"
                placeholder="not known"
                :label="`How far sensors ${mountWords(make.mount)} measure, ${units.pressureSymbol.value}`"
                :read="readRange"
                @typed="takeRange(make, $event)"
              />
              <span v-else class="figure">{{ shown(make) || 'not known' }}</span>
            </td>
            <td>
              <label class="flex min-h-8 items-center gap-2"
                ><input
                  type="checkbox"
                  :checked="make.isVented"
                  :disabled="!isManager"
                  @change="change(make, { isVented: ($event.target as HTMLInputElement).checked })"
                />
                vented<span class="spoken">, {{ mountWords(make.mount) }}</span></label
              >
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
  </section>
</template>
