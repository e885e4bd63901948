<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { usePeople } from '@/api/people';
import { useSession } from '@/api/session';
import { useTyre, useTyreActions, type TyreRequest } from '@/api/tyres';
import NumberField from '@/shared/NumberField.vue';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import TyreForm from './TyreForm.vue';
import { tyreWords } from './tyres';

/** One tyre and its life: where it was, what was measured, what it is. */
const props = defineProps<{ id: string }>();
const { data: life, error } = useTyre(() => props.id);
const { describe, readTread, inspected } = useTyreActions();
const { mayHandleAlerts } = useSession();
const { nameOf } = usePeople();
const { trouble, faults, isBusy, attempt } = useAttempt();
const tyre = computed(() => life.value?.tyre);
const isDescribing = ref(false);
const depth = ref<number | null>(null);
const km = ref<number | null>(null);
const inspectedBy = ref('');
const found = ref('');

const forecast = computed(() => {
  const one = tyre.value;
  if (!one?.mmPerMonth || !one.minimumAt) return '';
  const perKm = typeof one.mmPer1000Km === 'number' ? `, ${one.mmPer1000Km.toFixed(2)} mm in 1,000 km` : '';
  return `It wears ${one.mmPerMonth.toFixed(2)} mm a month${perKm}; by that it is at the least tread on ${dated(one.minimumAt).split(',')[0]}. Local law goes first.`;
});

const change = (body: TyreRequest) =>
  attempt(async () => {
    await describe(props.id, body);
    isDescribing.value = false;
  });
const keepTread = () =>
  attempt(async () => {
    if (depth.value === null) return;
    await readTread(props.id, { points: [depth.value], km: km.value });
    depth.value = null;
    km.value = null;
  });
const keepInspection = () => attempt(() => inspected(props.id, inspectedBy.value, found.value));
const print = () => window.print();
</script>

<template>
  <div class="max-w-4xl px-5 py-4">
    <p class="print:hidden"><RouterLink class="way" to="/stores/tyres">‹ Tyres</RouterLink></p>
    <p v-if="error && !life" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-else-if="!life || !tyre" class="mt-2 text-quiet">Fetching the tyre …</p>
    <template v-else>
      <div class="mt-1 flex flex-wrap items-baseline gap-x-5">
        <h1 class="text-xl">Tyre {{ tyre.id }}</h1>
        <span>{{ tyreWords(tyre) }}</span>
        <span class="text-quiet">{{ tyre.place }}</span>
        <button type="button" class="button ml-auto print:hidden" @click="print">Print</button>
      </div>
      <section v-if="tyre.markedBecause" class="mt-3 border-l-4 border-stop pl-3" aria-labelledby="tyre-mark">
        <h2 id="tyre-mark" class="text-base text-stop">Goes to no wheel before an inspection</h2>
        <p>{{ tyre.markedBecause }} It can look sound and burst along the sidewall once it is filled.</p>
        <form
          v-if="mayHandleAlerts"
          class="mt-2 grid max-w-xl gap-2 print:hidden"
          @submit.prevent="keepInspection"
        >
          <label class="block"
            >Inspected off the vehicle, by a trained person
            <input v-model="inspectedBy" class="field mt-0.5 block w-full" maxlength="100" required />
          </label>
          <label class="block"
            >What was found inside
            <textarea
              v-model="found"
              class="field mt-0.5 block w-full"
              rows="2"
              maxlength="500"
              required
            ></textarea>
          </label>
          <div>
            <button type="submit" class="button button-main min-h-11" :disabled="isBusy">
              It is sound: take the mark off
            </button>
          </div>
        </form>
      </section>

      <div class="mt-4 grid gap-x-10 gap-y-6 md:grid-cols-2">
        <section aria-labelledby="tyre-tread">
          <h2 id="tyre-tread" class="text-base">Tread</h2>
          <p v-if="forecast" class="mt-1">{{ forecast }}</p>
          <p v-else-if="life.treads.length" class="mt-1 text-quiet">
            A forecast takes two readings a fortnight apart that show wear.
          </p>
          <p v-else class="mt-1 text-quiet">Never read.</p>
          <ul v-if="life.treads.length" class="mt-1 border-t border-rule">
            <li
              v-for="read in [...life.treads].reverse()"
              :key="read.at + read.shallowestMm"
              class="flex flex-wrap gap-x-4 border-b border-rule py-1"
            >
              <span class="w-36">{{ dated(read.at) }}</span>
              <span class="figure">{{ read.shallowestMm.toFixed(1) }} mm</span>
              <span v-if="typeof read.km === 'number'" class="figure"
                >{{ read.km.toLocaleString('en-GB') }} km</span
              >
              <span class="text-quiet">{{ nameOf(read.who) }}</span>
            </li>
          </ul>
          <form
            v-if="mayHandleAlerts && tyre.kind !== 'SCRAPPED'"
            class="mt-2 flex flex-wrap items-end gap-2 print:hidden"
            @submit.prevent="keepTread"
          >
            <NumberField v-model="depth" class="w-40" label="Shallowest point" unit="mm" is-optional />
            <NumberField v-model="km" class="w-40" label="Vehicle has run" unit="km" is-optional />
            <button type="submit" class="button min-h-11" :disabled="depth === null || isBusy">
              Keep it
            </button>
          </form>
        </section>
        <section aria-labelledby="tyre-stays">
          <h2 id="tyre-stays" class="text-base">Where it was</h2>
          <ul class="mt-1 border-t border-rule">
            <li
              v-for="stay in [...life.stays].reverse()"
              :key="stay.place + stay.from"
              class="border-b border-rule py-1"
            >
              <span class="font-medium">{{ stay.place }}</span>
              <span class="text-quiet">
                &ensp;{{ stay.from ? `from ${dated(stay.from)}` : 'since before anything was written down'
                }}{{ stay.to ? ` to ${dated(stay.to)}` : '' }}</span
              >
              <span v-if="stay.sensor">
                &ensp;with sensor <span class="figure">{{ stay.sensor }}</span> inside</span
              >
            </li>
          </ul>
          <p v-if="tyre.vehicle" class="mt-2 flex flex-wrap gap-x-5 print:hidden">
            <RouterLink
              class="way"
              :to="{ name: 'vehicle', params: { vehicleRef: tyre.vehicle }, query: { wheel: tyre.position } }"
              >The wheel’s readings</RouterLink
            >
            <RouterLink class="way" :to="{ name: 'moves', query: { vehicle: tyre.vehicle } }"
              >Move it</RouterLink
            >
          </p>
        </section>
      </div>

      <section class="mt-6" aria-labelledby="tyre-is">
        <h2 id="tyre-is" class="text-base">What it is</h2>
        <dl class="mt-1 grid max-w-xl grid-cols-[10rem_1fr] gap-y-1">
          <dt class="text-quiet">Size</dt>
          <dd>{{ tyre.size ?? 'not written down' }}</dd>
          <dt class="text-quiet">Load and speed</dt>
          <dd>{{ [tyre.loadIndex, tyre.speedSymbol].filter(Boolean).join(' ') || 'not written down' }}</dd>
          <dt class="text-quiet">Date code</dt>
          <dd>
            {{ tyre.dateCode ?? 'not read'
            }}{{ typeof tyre.years === 'number' ? `, ${tyre.years} years` : '' }}
          </dd>
          <dt class="text-quiet">Retread</dt>
          <dd>{{ tyre.isRetread === true ? 'yes' : tyre.isRetread === false ? 'no' : 'not known' }}</dd>
          <dt class="text-quiet">Turns one way only</dt>
          <dd>
            {{ tyre.isDirectional === true ? 'yes' : tyre.isDirectional === false ? 'no' : 'not known' }}
          </dd>
          <template v-if="tyre.note"
            ><dt class="text-quiet">Note</dt>
            <dd>{{ tyre.note }}</dd></template
          >
        </dl>
        <button
          v-if="mayHandleAlerts && !isDescribing"
          type="button"
          class="button mt-2 print:hidden"
          @click="isDescribing = true"
        >
          Change what is written
        </button>
        <TyreForm
          v-if="isDescribing"
          class="mt-3 max-w-2xl"
          :tyre="tyre"
          :is-busy="isBusy"
          :faults="faults"
          verb="Store it"
          @done="change"
        />
      </section>
      <p v-if="trouble" role="alert" class="mt-3 text-stop">{{ trouble }}</p>
    </template>
  </div>
</template>
