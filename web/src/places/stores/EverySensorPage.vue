<script setup lang="ts">
import { refDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import {
  useSensor,
  useSensorActions,
  useSensors,
  useStrangers,
  type SensorItem,
  type SensorState,
} from '@/api/sensors';
import { useSession } from '@/api/session';
import AppDialog from '@/shared/AppDialog.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { vStacked } from '@/shared/stacked';
import { dated, useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import { namesIn, wordsOf } from '@/shared/vocabulary';
import { codesIn } from './codes';

/** Every sensor from the box to its end, and those heard that are not ours. */
const look = ref('');
const wanted = refDebounced(look, 200);
const state = ref<SensorState | ''>('');
const { data, error } = useSensors(wanted, state);
const { data: strangers } = useStrangers();
const { takeIn, retire } = useSensorActions();
const { mayHandleAlerts } = useSession();
const { age } = useClock();
const units = useUnits();
const { trouble, faults, isBusy, attempt } = useAttempt();
const isTaking = ref(false);
const scanned = ref('');
const mount = ref('');
const outcome = ref('');
const chosen = ref('');
const reason = ref('');
const { data: life } = useSensor(chosen);

const STATES = computed(() => [
  { value: '' as const, words: 'all' },
  ...namesIn('sensorStates').map((name) => ({
    value: name as SensorState,
    words: `${wordsOf('sensorStates', name)} (${data.value?.counts[name as SensorState] ?? 0})`,
  })),
]);
const codes = computed(() => codesIn(scanned.value));

const take = () =>
  attempt(async () => {
    const held = (mount.value || null) as SensorItem['mount'];
    const taken = await takeIn(codes.value, held ?? null);
    outcome.value = `${taken.taken} taken into stock${taken.known ? `; ${taken.known} were known already` : ''}.`;
    scanned.value = '';
    isTaking.value = false;
  }, 'Taking sensors into stock');
const claim = (code: string) =>
  attempt(() => takeIn([code], null), `Taking ${code} into stock`, {
    done: `${code} is ours now, in stock.`,
  });
const outOfUse = () =>
  attempt(async () => {
    await retire(chosen.value, reason.value);
    reason.value = '';
  }, 'Taking it out of use');
const bringBack = () => attempt(() => retire(chosen.value, null), 'Bringing it back');
</script>

<template>
  <section aria-label="Every sensor">
    <p v-if="error && !data" role="alert" class="text-next">{{ error.message }}</p>
    <template v-else-if="data">
      <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
        <label class="block"
          >Look for a code, a vehicle or a store
          <input v-model="look" type="search" class="field mt-0.5 block w-64" />
        </label>
        <button v-if="mayHandleAlerts" type="button" class="button ml-auto" @click="isTaking = true">
          Take sensors in
        </button>
      </div>
      <ChoiceRow v-model="state" class="mt-2" label="Show" :choices="STATES" />
      <p v-if="outcome" role="status" class="mt-2">{{ outcome }}</p>
      <p v-if="trouble && !isTaking && !chosen" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
      <p v-if="!data.items.length" class="mt-3">None.</p>
      <table v-else v-stacked class="mt-3 w-full max-w-5xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule text-left">
            <th scope="col" class="py-1 font-normal">Sensor</th>
            <th scope="col" class="font-normal">Where</th>
            <th scope="col" class="font-normal">Held by</th>
            <th scope="col" class="font-normal">Heard</th>
            <th scope="col" class="text-right font-normal">Cell</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="sensor in data.items" :key="sensor.code" class="border-b border-rule">
            <th scope="row" class="py-1 text-left font-normal">
              <button type="button" class="link figure max-sm:min-h-11" @click="chosen = sensor.code">
                {{ sensor.code }}
              </button>
            </th>
            <td>
              <RouterLink
                v-if="sensor.vehicle"
                class="way"
                :to="{
                  name: 'vehicle',
                  params: { vehicleRef: sensor.vehicle },
                  query: { wheel: sensor.position },
                }"
                >{{ sensor.place }}</RouterLink
              >
              <RouterLink
                v-else-if="sensor.tyre"
                class="way"
                :to="{ name: 'tyre', params: { id: sensor.tyre } }"
                >{{ sensor.place }}</RouterLink
              >
              <template v-else>{{ sensor.place }}</template>
              <span v-if="sensor.outOfUseBecause" class="text-quiet">, {{ sensor.outOfUseBecause }}</span>
            </td>
            <td>{{ sensor.mount ? wordsOf('mounts', sensor.mount) : 'not said' }}</td>
            <td>{{ sensor.lastHeardAt ? `${age(sensor.lastHeardAt)} ago` : 'never' }}</td>
            <td class="figure text-right">{{ sensor.batteryMv ? `${sensor.batteryMv} mV` : '' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="data.total > data.items.length" class="mt-2 text-quiet">
        The first {{ data.items.length }} of {{ data.total }}; look for a code to find others.
      </p>
    </template>

    <section v-if="strangers" class="mt-8" aria-labelledby="strangers">
      <h2 id="strangers" class="text-base">Heard and not ours</h2>
      <p class="mt-1 max-w-2xl text-quiet">
        {{ strangers.total }} within a day. They are never judged. One of ours that nobody took in is ours
        with one press.
      </p>
      <table v-if="strangers.items.length" v-stacked class="mt-2 w-full max-w-5xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule text-left">
            <th scope="col" class="py-1 font-normal">Sensor</th>
            <th scope="col" class="text-right font-normal">Readings</th>
            <th scope="col" class="font-normal">Last heard</th>
            <th scope="col" class="font-normal">Near</th>
            <th scope="col" class="text-right font-normal">Pressure</th>
            <th v-if="mayHandleAlerts" scope="col"><span class="spoken">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in strangers.items" :key="one.code" class="border-b border-rule">
            <th scope="row" class="figure py-1 text-left font-normal">{{ one.code }}</th>
            <td class="figure text-right">{{ one.readings }}</td>
            <td>{{ age(one.lastHeardAt) }} ago</td>
            <td>
              {{ one.near ?? (one.receiver ? `receiver ${one.receiver}` : 'nobody says') }}
            </td>
            <td class="figure text-right">
              {{ typeof one.pressureKpa === 'number' ? units.pressureWords(one.pressureKpa) : '' }}
            </td>
            <td v-if="mayHandleAlerts" class="text-right">
              <button type="button" class="button min-h-11" :disabled="isBusy" @click="claim(one.code)">
                It is ours<span class="spoken">: {{ one.code }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>

    <AppDialog :is-open="isTaking" title="Take sensors in" @close="isTaking = false">
      <form class="grid gap-3" @submit.prevent="take">
        <label class="block"
          >Codes, as scanned: one a line, or with blanks between
          <textarea
            v-model="scanned"
            class="field figure mt-0.5 block w-full uppercase"
            rows="6"
            required
          ></textarea>
        </label>
        <p class="text-quiet">{{ codes.length }} {{ codes.length === 1 ? 'code' : 'codes' }}.</p>
        <label class="block"
          >How they are held
          <select v-model="mount" class="field mt-0.5 block">
            <option value="">not known</option>
            <option v-for="name in namesIn('mounts')" :key="name" :value="name">
              {{ wordsOf('mounts', name) }}
            </option>
          </select>
        </label>
        <div v-if="trouble" role="alert" class="text-stop">
          <p>{{ trouble }}</p>
          <ul>
            <li v-for="fault in faults" :key="fault.field">{{ fault.message }}</li>
          </ul>
        </div>
        <div>
          <button type="submit" class="button button-main min-h-11" :disabled="isBusy || !codes.length">
            Into stock
          </button>
        </div>
      </form>
    </AppDialog>

    <AppDialog :is-open="Boolean(chosen)" :title="`Sensor ${chosen}`" @close="chosen = ''">
      <p v-if="!life">Fetching it …</p>
      <template v-else>
        <p>
          {{ life.sensor.place }}{{ life.sensor.outOfUseBecause ? `: ${life.sensor.outOfUseBecause}` : '' }}
        </p>
        <h3 class="mt-3 font-semibold">Where it was</h3>
        <p v-if="!life.stays.length" class="text-quiet">At no wheel so far.</p>
        <ul class="mt-1 border-t border-rule">
          <li v-for="stay in life.stays" :key="stay.from" class="border-b border-rule py-1">
            <span class="figure font-medium">{{ stay.vehicle }} {{ stay.position }}</span>
            <span class="text-quiet">
              from {{ dated(stay.from) }}{{ stay.to ? ` to ${dated(stay.to)}` : '' }}</span
            >
          </li>
        </ul>
        <template v-if="mayHandleAlerts">
          <button
            v-if="life.sensor.state === 'OUT_OF_USE'"
            type="button"
            class="button mt-3 min-h-11"
            :disabled="isBusy"
            @click="bringBack"
          >
            Bring it back into use
          </button>
          <form v-else class="mt-3 flex flex-wrap items-end gap-2" @submit.prevent="outOfUse">
            <label class="block grow"
              >Out of use, because
              <input v-model="reason" class="field mt-0.5 block w-full" maxlength="200" required />
            </label>
            <button type="submit" class="button min-h-11" :disabled="isBusy">
              {{
                life.sensor.state === 'FITTED' ? 'Take it off its wheel and out of use' : 'Take it out of use'
              }}
            </button>
          </form>
        </template>
        <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
      </template>
    </AppDialog>
  </section>
</template>
