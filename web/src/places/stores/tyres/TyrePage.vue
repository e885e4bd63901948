<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useI18n } from 'vue-i18n';
import { usePeople } from '@/api/people';
import { useSession } from '@/api/session';
import { useTyre, useTyreActions, type TyreRequest } from '@/api/tyres';
import NumberField from '@/shared/NumberField.vue';
import { dated } from '@/shared/time';
import { wordsOf } from '@/shared/vocabulary';
import { useAttempt } from '@/shared/useAttempt';
import TyreForm from './TyreForm.vue';
import { tyreWords } from './tyres';

/** One tyre and its life: where it was, what was measured, what it is. */
const props = defineProps<{ id: string }>();
const { data: life, error } = useTyre(() => props.id);
const { describe, readTread, repaired, inspected } = useTyreActions();
const { mayHandleAlerts } = useSession();
const { nameOf } = usePeople();
const { trouble, faults, isBusy, attempt } = useAttempt();
const tyre = computed(() => life.value?.tyre);
const isDescribing = ref(false);
/** Each trouble of a tyre that lies somewhere is ended by itself. */
const marks = computed(
  () => tyre.value?.trouble.flatMap((one) => (one.id ? [{ ...one, id: one.id }] : [])) ?? [],
);
const soundOf = ref<string[]>([]);
const { t } = useI18n();
const known = (one: { since: string; seenBy?: string | null }) =>
  one.seenBy
    ? t('stores.sinceSeenBy', { day: dated(one.since), who: nameOf(one.seenBy) })
    : t('stores.since', { day: dated(one.since) });
const depth = ref<number | null>(null);
const km = ref<number | null>(null);
const inspectedBy = ref('');
const repair = ref('');
const repairer = ref('');
const found = ref('');

const forecast = computed(() => {
  const one = tyre.value;
  if (!one?.mmPerMonth || !one.minimumAt) return '';
  const perKm = typeof one.mmPer1000Km === 'number' ? `, ${one.mmPer1000Km.toFixed(2)} mm in 1,000 km` : '';
  return `It wears ${one.mmPerMonth.toFixed(2)} mm a month${perKm}; by that it is at the least tread on ${dated(one.minimumAt).split(',')[0]}. Local law goes first.`;
});

const exposure = computed(() => {
  const one = life.value?.exposure;
  if (!one) return [];
  return [
    { words: 'heard of', hours: one.heard },
    { words: 'driven under 90 % of target', hours: one.under90 },
    { words: 'driven under 80 % of target', hours: one.under80 },
    { words: 'over 70 °C', hours: one.hot },
    { words: 'stood under 90 % of target', hours: one.parkedLow },
  ];
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
const keepRepair = () =>
  attempt(
    async () => {
      await repaired(props.id, { what: repair.value, repairer: repairer.value });
      repair.value = '';
      repairer.value = '';
    },
    'Keeping the repair',
    { done: 'The repair is kept.' },
  );
const faultOf = (field: string) => faults.value.find((fault) => fault.field === field)?.message;
const keepInspection = () =>
  attempt(async () => {
    const chosen = marks.value.length > 1 ? soundOf.value : null;
    await inspected(props.id, inspectedBy.value, found.value, chosen);
    soundOf.value = [];
  });
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
        <h2 id="tyre-mark" class="text-base text-stop">Do not fit before inspection</h2>
        <p>{{ $t('stores.looksSound') }}</p>
        <ul v-if="marks.length < 2">
          <li v-for="mark in marks" :key="mark.id">
            {{ mark.words }} <span class="text-quiet">{{ known(mark) }}</span>
          </li>
        </ul>
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
          <fieldset v-if="marks.length > 1">
            <legend>{{ $t('stores.soundOf') }}</legend>
            <label v-for="mark in marks" :key="mark.id" class="flex gap-2 py-1">
              <input v-model="soundOf" type="checkbox" :value="mark.id" class="mt-1" />
              <span
                >{{ mark.words }} <span class="text-quiet">{{ known(mark) }}</span></span
              >
            </label>
          </fieldset>
          <div>
            <button
              type="submit"
              class="button button-main min-h-11"
              :disabled="isBusy || (marks.length > 1 && soundOf.length === 0)"
            >
              {{ marks.length > 1 ? $t('stores.clearTicked') : $t('stores.clearMark') }}
            </button>
          </div>
        </form>
      </section>

      <section
        v-else-if="tyre.trouble.length"
        class="mt-3 border-l-4 border-next pl-3"
        aria-labelledby="tyre-known"
      >
        <h2 id="tyre-known" class="text-base">Known trouble, which goes with the tyre</h2>
        <ul>
          <li v-for="one in tyre.trouble" :key="one.kind + one.since">
            {{ one.words }} <span class="text-quiet">{{ known(one) }}</span>
          </li>
        </ul>
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
            <NumberField
              v-model="depth"
              class="w-40"
              label="Shallowest point"
              unit="mm"
              :most="80"
              is-optional
            />
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
                }}{{ stay.to ? ` to ${dated(stay.to)}` : ''
                }}{{ typeof stay.km === 'number' ? `, ${stay.km.toLocaleString('en-GB')} km` : '' }}</span
              >
              <span v-if="stay.sensor">
                &ensp;with sensor <span class="figure">{{ stay.sensor }}</span> inside</span
              >
              <span v-if="stay.reason" class="block"
                >came off: {{ wordsOf('removalReasons', stay.reason) }}</span
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

      <div class="mt-6 grid gap-x-10 gap-y-6 md:grid-cols-2">
        <section aria-labelledby="tyre-exposure">
          <h2 id="tyre-exposure" class="text-base">What it went through</h2>
          <p v-if="!life.exposure.heard" class="mt-1 text-quiet">No sensor said anything of it yet.</p>
          <template v-else>
            <dl class="mt-1 grid max-w-sm grid-cols-[1fr_auto] gap-x-6 gap-y-1">
              <template v-for="one in exposure" :key="one.words">
                <dt class="text-quiet">{{ one.words }}</dt>
                <dd class="figure text-right">{{ one.hours.toLocaleString('en-GB') }} h</dd>
              </template>
            </dl>
            <p class="mt-1 text-sm text-quiet">
              Clock hours at wheels in use: by the hour’s mean at 20&nbsp;°C against the target that held, and
              by its hottest moment. Hours of which nothing was heard are not known.
            </p>
          </template>
        </section>
        <section aria-labelledby="tyre-repairs">
          <h2 id="tyre-repairs" class="text-base">Repairs</h2>
          <p v-if="!life.repairs.length" class="mt-1 text-quiet">None is written down.</p>
          <ul v-else class="mt-1 border-t border-rule">
            <li
              v-for="one in [...life.repairs].reverse()"
              :key="one.at + one.what"
              class="border-b border-rule py-1"
            >
              {{ one.what }}
              <span class="block text-quiet"
                >{{ dated(one.at) }}, by {{ one.repairer }}; written down by {{ nameOf(one.who) }}</span
              >
            </li>
          </ul>
          <form
            v-if="mayHandleAlerts && tyre.kind !== 'SCRAPPED'"
            class="mt-2 grid max-w-xl gap-2 print:hidden"
            @submit.prevent="keepRepair"
          >
            <label class="block"
              >What was repaired, and how
              <textarea
                v-model="repair"
                class="field mt-0.5 block w-full"
                rows="2"
                maxlength="500"
                required
              ></textarea>
              <span v-if="faultOf('what')" class="block text-stop">{{ faultOf('what') }}</span>
            </label>
            <label class="block"
              >By whom
              <input v-model="repairer" class="field mt-0.5 block w-full" maxlength="100" required />
              <span v-if="faultOf('repairer')" class="block text-stop">{{ faultOf('repairer') }}</span>
            </label>
            <div>
              <button type="submit" class="button min-h-11" :disabled="isBusy">Keep the repair</button>
            </div>
          </form>
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
