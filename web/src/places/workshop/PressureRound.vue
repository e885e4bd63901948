<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { answer, http, type Schemas } from '@/api/client';
import { useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import AdjustDialog from '@/places/vehicles/AdjustDialog.vue';
import { parseTemperature } from '@/shared/quantity';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';

/** A round with the air line: what to do at every wheel, reckoned again with every reading. */
const route = useRoute();
const router = useRouter();
const client = useQueryClient();
const units = useUnits();
const { preferences, mayHandleAlerts } = useSession();
const { age } = useClock();
const { data: vehicles } = useVehicles();

const AGAIN_MILLIS = 5_000;
const chosen = computed(() => [route.query.vehicle ?? []].flat().filter((one) => typeof one === 'string'));
const wanted = ref('');
const air = ref('');
const airC = computed(() => parseTemperature(air.value, preferences.value.temperatureUnit));
const adjusted = ref<{ vehicle: string; position: string }>();

const { data, error } = useQuery({
  queryKey: ['round', chosen, airC],
  queryFn: () =>
    answer(
      http.GET('/api/v1/pressure-round', {
        params: {
          query: {
            vehicle: chosen.value,
            ...(airC.value === undefined ? {} : { airC: Math.round(airC.value * 10) / 10 }),
          },
        },
      }),
    ),
  enabled: computed(() => chosen.value.length > 0),
  refetchInterval: AGAIN_MILLIS,
});
const refs = computed(() => vehicles.value?.items.map((one) => one.ref) ?? []);

function choose(list: string[]): void {
  void router.replace({ query: { vehicle: list } });
}
function add(): void {
  if (refs.value.includes(wanted.value)) choose([...new Set([...chosen.value, wanted.value])]);
  wanted.value = '';
}

type Wheel = Schemas['RoundWheel'];
function toDo(wheel: Wheel): string {
  const change = typeof wheel.changeKpa === 'number' ? units.pressureWords(Math.abs(wheel.changeKpa)) : '';
  switch (wheel.action) {
    case 'RIGHT':
      return 'right';
    case 'ADD':
      return `add ${change}`;
    case 'LET_OUT':
      return `let out ${change}`;
    case 'LET_COOL':
      return 'too high, and warm: let it cool, never bleed it hot';
    case 'DO_NOT_INFLATE':
      return 'do not inflate: valve core out, off the vehicle, looked at inside';
    default:
      return wheel.at ? 'no fresh reading: take the hand gauge' : 'no sensor: take the hand gauge';
  }
}
const hue = (wheel: Wheel) =>
  wheel.action === 'DO_NOT_INFLATE'
    ? 'font-semibold text-stop'
    : wheel.action === 'RIGHT'
      ? 'text-quiet'
      : wheel.action
        ? 'font-medium'
        : 'text-quiet';
function done(): void {
  adjusted.value = undefined;
  void client.invalidateQueries({ queryKey: ['round'] });
}
const print = () => window.print();
</script>

<template>
  <div class="max-w-4xl px-5 py-4">
    <p class="print:hidden"><RouterLink to="/workshop">‹ Workshop</RouterLink></p>
    <div class="mt-1 flex flex-wrap items-baseline gap-3">
      <h1 class="text-xl">Pressure round</h1>
      <button v-if="chosen.length" type="button" class="button ml-auto print:hidden" @click="print">
        Print
      </button>
    </div>
    <form class="mt-2 flex flex-wrap items-end gap-3 print:hidden" @submit.prevent="add">
      <label class="block"
        >Vehicle
        <input v-model="wanted" class="field figure mt-0.5 block w-36" list="round-refs" autocomplete="off" />
        <datalist id="round-refs">
          <option v-for="one in refs" :key="one" :value="one"></option>
        </datalist>
      </label>
      <button type="submit" class="button" :disabled="!refs.includes(wanted)">Add it to the round</button>
      <label class="block"
        >Air outside, {{ units.temperatureSymbol.value }}
        <input
          v-model="air"
          class="field figure mt-0.5 block w-28"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="data ? units.temperatureNumber(data.airC) : ''"
        />
      </label>
    </form>
    <p v-if="data?.isAirGuessed" class="mt-1 text-quiet">
      Reckoned with {{ units.temperatureWords(data.airC) }} outside, which is the coolest tyre’s. Cold
      pressure means at the temperature of the air; say it if it is another.
    </p>
    <p v-if="error" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-if="!chosen.length" class="mt-4">Choose the vehicles of this round.</p>
    <section v-for="vehicle in data?.vehicles" :key="vehicle.ref" class="mt-5">
      <h2 class="flex items-baseline gap-3 text-base">
        <span class="figure">{{ vehicle.ref }}</span>
        <button
          type="button"
          class="link font-normal print:hidden"
          @click="choose(chosen.filter((one) => one !== vehicle.ref))"
        >
          leave it out
        </button>
      </h2>
      <SidewaysScroll :label="`Wheels of ${vehicle.ref}`">
        <table class="w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4">
          <thead class="text-quiet">
            <tr class="border-b border-rule">
              <th scope="col" class="font-normal">Wheel</th>
              <th scope="col" class="text-right font-normal">Shows, {{ units.pressureSymbol.value }}</th>
              <th scope="col" class="text-right font-normal">Should now</th>
              <th scope="col" class="text-right font-normal">{{ units.temperatureSymbol.value }}</th>
              <th scope="col" class="text-right font-normal">Heard</th>
              <th scope="col" class="font-normal">Do</th>
              <th scope="col"><span class="spoken">Record</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="wheel in vehicle.wheels" :key="wheel.position" class="border-b border-rule">
              <th scope="row" class="figure">{{ wheel.position }}</th>
              <td class="figure text-right">
                {{ typeof wheel.gaugeKpa === 'number' ? units.pressureNumber(wheel.gaugeKpa) : '' }}
              </td>
              <td class="figure text-right">
                {{ units.pressureNumber(wheel.targetNowKpa ?? wheel.targetKpa) }}
              </td>
              <td class="figure text-right">
                {{
                  typeof wheel.temperatureC === 'number' ? units.temperatureNumber(wheel.temperatureC) : ''
                }}
              </td>
              <td class="figure text-right text-quiet">{{ wheel.at ? age(wheel.at) : '' }}</td>
              <td :class="hue(wheel)">{{ toDo(wheel) }}</td>
              <td class="text-right print:hidden">
                <button
                  v-if="mayHandleAlerts && wheel.action && wheel.action !== 'DO_NOT_INFLATE'"
                  type="button"
                  class="link py-1"
                  :aria-label="`Record that ${wheel.words} of ${vehicle.ref} was set`"
                  @click="adjusted = { vehicle: vehicle.ref, position: wheel.position }"
                >
                  I set it
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </SidewaysScroll>
    </section>
    <p v-if="chosen.length" class="mt-4 text-quiet">
      Inflate with a clip-on chuck and a remote gauge, out of the trajectory. A tyre at 80&nbsp;% of its
      target or less may have run soft: it can burst along the sidewall after it was filled.
    </p>
    <AdjustDialog
      v-if="adjusted"
      :is-open="true"
      :vehicle-ref="adjusted.vehicle"
      :position="adjusted.position"
      @done="done"
    />
  </div>
</template>
