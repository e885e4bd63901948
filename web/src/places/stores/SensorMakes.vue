<script setup lang="ts">
import { ref } from 'vue';
import { useSession } from '@/api/session';
import { useSensorMakes, useTargetActions } from '@/api/targets';
import { mountWords } from '@/places/workshop/job';
import { parsePressure } from '@/shared/quantity';
import { useUnits } from '@/shared/units';
import { useUnread } from '@/shared/unread';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';

/** What the fleet's sensors are, mount by mount: how far they measure, and against what. */
const { data: makes } = useSensorMakes();
const { setMake } = useTargetActions();
const { isManager, preferences } = useSession();
const { trouble, attempt } = useAttempt();
const units = useUnits();
type Make = NonNullable<typeof makes.value>[number];

/** The field whose text cannot be read: nothing is stored beside it. */
const unread = ref<string>();
useUnread(unread);

const shown = (make: Make) => (typeof make.rangeKpa === 'number' ? units.pressureNumber(make.rangeKpa) : '');

const change = (make: Make, how: { isVented?: boolean; rangeKpa?: number | null }) =>
  attempt(() => setMake(make.mount, { isVented: make.isVented, rangeKpa: make.rangeKpa ?? null, ...how }));

function takeRange(make: Make, event: Event): void {
  const field = event.target as HTMLInputElement;
  const kpa = field.value.trim() ? parsePressure(field.value, preferences.value.pressureUnit) : null;
  unread.value = kpa === undefined ? `How far sensors ${mountWords(make.mount)} measure` : undefined;
  if (kpa === undefined) {
    trouble.value = 'Write a pressure, such as 1000 kPa, 13.5 bar or 145 psi.';
    return;
  }
  void change(make, { rangeKpa: kpa === null ? null : Math.round(kpa * 10) / 10 });
}
</script>

<template>
  <section aria-labelledby="makes">
    <h2 id="makes" class="text-base">What our sensors are</h2>
    <p class="max-w-3xl text-quiet">
      By the maker’s data sheet. Most take a fixed amount off the absolute pressure and do not follow height
      and weather, as a hand gauge does; a vented one does follow. A limit beyond the range would never be
      raised.
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <SidewaysScroll label="Sensors by how they are held">
      <table class="mt-1 w-full max-w-3xl [&_td]:pr-4 [&_th]:pr-4">
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
              <input
                v-if="isManager"
                class="field figure w-28 py-0.5! text-right"
                :value="shown(make)"
                placeholder="not known"
                :aria-label="`How far sensors ${mountWords(make.mount)} measure, ${units.pressureSymbol.value}`"
                @change="takeRange(make, $event)"
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
