<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { useI18n } from 'vue-i18n';
import { useVehicle, useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import {
  useMovePatterns,
  useMovePreview,
  useTyreActions,
  useTyres,
  type PlaceKind,
  type RemovalReason,
  SensorFate,
} from '@/api/tyres';
import AxleStrip from '@/shared/AxleStrip.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import NumberField from '@/shared/NumberField.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import MoveList from './MoveList.vue';
import MoveSteps from './MoveSteps.vue';
import { isOf, noDraft, type Draft } from './draft';
import {
  isWheel,
  marks,
  requestOf,
  type WhatWent,
  same,
  toMakeRoom,
  withOffAndOn,
  vehiclesOf,
  withStep,
  type Step,
  type Wheel,
} from './steps';

/** Wheels that change places: chosen on the strip, looked at as a whole, stored all or not at all. */
const route = useRoute();
const { data: vehicles } = useVehicles();
const { mayHandleAlerts } = useSession();
const { move } = useTyreActions();
const { trouble, faults, isBusy, attempt } = useAttempt();

const asked = typeof route.query.vehicle === 'string' ? route.query.vehicle : '';
const first = ref(asked);
const second = ref('');
const chosenVehicle = computed(() => first.value || vehicles.value?.items[0]?.ref || '');
const { vehicle: one } = useVehicle(chosenVehicle);
const { vehicle: other } = useVehicle(second);
const shown = computed(() => [one.value, other.value].filter((vehicle) => vehicle !== undefined));
const { data: patterns } = useMovePatterns(chosenVehicle);
const { data: tyres } = useTyres();
/** Tyres that lie somewhere and may be brought to a wheel. */
const lying = computed(
  () => tyres.value?.items.filter((tyre) => tyre.id && tyre.kind && tyre.kind !== 'SCRAPPED') ?? [],
);

/** What is not stored yet outlives a lost signal, a call and a page that is loaded again. */
const draft = useLocalStorage<Draft>('vivid-caravan.move.draft', noDraft(), { mergeDefaults: true });
const isTakenUp = ref(isOf(draft.value, asked, Date.now()));
if (isTakenUp.value) {
  first.value = draft.value.first;
  second.value = draft.value.second;
} else {
  draft.value = noDraft();
}
const part = <K extends keyof Draft>(key: K) =>
  computed({ get: () => draft.value[key], set: (value: Draft[K]) => (draft.value[key] = value) });
const steps = part('steps');
const when = part('when');
const note = part('note');
const km = part('km');
const went = part('went');
const { t } = useI18n();
const WENT = computed<{ value: WhatWent; words: string }[]>(() => [
  { value: 'WHOLE_WHEEL', words: t('workshop.wholeWheels') },
  { value: 'TYRE_ALONE', words: t('workshop.tyresAlone') },
]);
const source = ref<Step['from']>();
const stored = ref('');
watch([chosenVehicle, second], () => {
  draft.value = noDraft();
  isTakenUp.value = false;
  source.value = undefined;
});
watch(steps, () =>
  Object.assign(draft.value, { first: chosenVehicle.value, second: second.value, at: Date.now() }),
);

const request = computed(() =>
  requestOf(
    steps.value,
    when.value ? new Date(when.value).toISOString() : null,
    note.value,
    km.value,
    went.value,
  ),
);
const { data: preview, error: previewError, isFetching } = useMovePreview(request);
const isReady = computed(
  () =>
    steps.value.length > 0 && Boolean(preview.value?.canBeMade) && !previewError.value && !isFetching.value,
);

const placeWords = (wheel: Wheel) => `${wheel.vehicle} ${wheel.position}`;
const asking = computed(() => {
  if (!source.value) {
    return steps.value.length
      ? 'Choose another wheel, or look through the move and store it.'
      : 'Choose the wheel whose tyre goes, then where it goes.';
  }
  const what = isWheel(source.value) ? `the tyre of ${placeWords(source.value)}` : source.value.words;
  return `Where does ${what} go? Choose the wheel, or a place off the vehicle.`;
});

function choose(vehicle: string, position: string): void {
  stored.value = '';
  const wheel = { vehicle, position };
  if (!source.value) {
    source.value = wheel;
  } else {
    put(source.value, wheel);
  }
}

/** A tyre goes somewhere; whichever has to make room for it is asked for next. */
function put(from: Step['from'], to: Step['to']): void {
  steps.value = withStep(steps.value, { from, to });
  source.value = same(from, to) ? undefined : toMakeRoom(steps.value);
}

function carry(vehicle: string, from: string, to: string): void {
  stored.value = '';
  put({ vehicle, position: from }, { vehicle, position: to });
}

function offAndOn(): void {
  if (!source.value || !isWheel(source.value)) return;
  steps.value = withOffAndOn(steps.value, source.value);
  source.value = toMakeRoom(steps.value);
}

function putAway(kind: PlaceKind): void {
  if (source.value) put(source.value, { kind });
}

function takePattern(wanted: { from: string; to: string }[]): void {
  stored.value = '';
  source.value = undefined;
  const wheel = (position: string) => ({ vehicle: chosenVehicle.value, position });
  steps.value = wanted.map((step) => ({ from: wheel(step.from), to: wheel(step.to) }));
}

function drop(index: number): void {
  steps.value = steps.value.filter((_, i) => i !== index);
  source.value = undefined;
}

const off = computed(() =>
  steps.value.map(({ to, reason }) =>
    isWheel(to) ? null : { reason: reason ?? ('' as const), kind: to.kind, name: to.name ?? '' },
  ),
);
function namePlace(index: number, name: string): void {
  steps.value = steps.value.map((step, i) =>
    i === index && !isWheel(step.to) ? { ...step, to: { ...step.to, name } } : step,
  );
}

function giveReason(index: number, chosen: RemovalReason | ''): void {
  steps.value = steps.value.map((step, i) => (i === index ? { ...step, reason: chosen || undefined } : step));
}

function fate(index: number, chosen: SensorFate): void {
  steps.value = steps.value.map((step, i) => (i === index ? { ...step, fate: chosen } : step));
}

function clear(): void {
  draft.value = noDraft();
  isTakenUp.value = false;
  source.value = undefined;
}

const store = () =>
  attempt(
    async () => {
      const made = await move(request.value);
      clear();
      const tyresMoved = made.steps.length === 1 ? 'One tyre is' : `${made.steps.length} tyres are`;
      stored.value = `Stored: ${tyresMoved} where you said. Check every cold pressure against its new target, and have the wheel nuts tightened again after the distance that the vehicle’s maker gives; 50 to 100 km is common practice.`;
    },
    'Storing the move',
    { done: 'The move is stored.' },
  );
const AWAY: PlaceKind[] = ['STORE', 'REPAIRER', 'SCRAPPED'];
const awayWords = { STORE: 'Into the store', REPAIRER: 'To a repairer', SCRAPPED: 'Scrap it' };
</script>

<template>
  <div class="max-w-5xl px-5 py-4">
    <p><RouterLink class="way" to="/workshop">‹ Workshop</RouterLink></p>
    <h1 class="mt-1 text-xl">Move wheels</h1>
    <p class="text-quiet">Nothing is stored before you have seen what every wheel will be.</p>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label class="block"
        >Vehicle
        <select
          class="field mt-0.5 block w-44"
          :value="chosenVehicle"
          @change="first = ($event.target as HTMLSelectElement).value"
        >
          <option v-for="vehicle in vehicles?.items" :key="vehicle.ref" :value="vehicle.ref">
            {{ vehicle.ref }}
          </option>
        </select>
      </label>
      <label class="block"
        >and of
        <select v-model="second" class="field mt-0.5 block w-44">
          <option value="">no other vehicle</option>
          <option
            v-for="vehicle in vehicles?.items.filter(({ ref: name }) => name !== chosenVehicle)"
            :key="vehicle.ref"
            :value="vehicle.ref"
          >
            {{ vehicle.ref }}
          </option>
        </select>
      </label>
    </div>

    <template v-if="mayHandleAlerts">
      <div v-if="patterns?.length" class="mt-3 flex flex-wrap items-center gap-2">
        <span class="text-quiet">All of {{ chosenVehicle }}:</span>
        <button
          v-for="pattern in patterns"
          :key="pattern.pattern"
          type="button"
          class="button min-h-11"
          @click="takePattern(pattern.steps)"
        >
          {{ pattern.words }}
        </button>
      </div>
      <p v-if="isTakenUp && steps.length" class="mt-3">
        This is the move that you had begun and not stored. It stays on this device until it is stored or you
        begin again.
      </p>
      <p role="status" class="mt-3 font-medium">{{ asking }}</p>
      <SidewaysScroll v-for="vehicle in shown" :key="vehicle.ref" :label="`The axles of ${vehicle.ref}`">
        <p v-if="shown.length > 1" class="figure mt-2">{{ vehicle.ref }}</p>
        <AxleStrip
          :vehicle="vehicle"
          size="page"
          is-interactive
          is-carrying
          :grow="1.2"
          :chosen="source && isWheel(source) && source.vehicle === vehicle.ref ? source.position : undefined"
          :marks="
            marks(
              steps,
              vehicle.ref,
              vehicle.wheels.map(({ position }) => position),
            )
          "
          @choose="choose(vehicle.ref, $event)"
          @carry="(from, to) => carry(vehicle.ref, from, to)"
        />
      </SidewaysScroll>
      <p class="text-quiet">
        A wheel that gets another tyre shows where that comes from. Wheels can also be dragged.
      </p>
      <div v-if="source" class="mt-2 flex flex-wrap gap-2">
        <button v-for="kind in AWAY" :key="kind" type="button" class="button min-h-11" @click="putAway(kind)">
          {{ awayWords[kind] }}
        </button>
        <button v-if="isWheel(source)" type="button" class="button min-h-11" @click="offAndOn">
          {{ $t('workshop.offAndOn') }}
        </button>
        <button type="button" class="link min-h-11" @click="source = undefined">Choose another wheel</button>
      </div>
      <label v-else-if="lying.length" class="mt-2 block"
        >Or bring one that lies somewhere
        <select
          class="field mt-0.5 block w-full max-w-md"
          @change="
            (event) => {
              const select = event.target as HTMLSelectElement;
              const tyre = lying.find(({ id }) => id === select.value);
              if (tyre?.id) source = { tyre: tyre.id, words: `tyre ${tyre.id}` };
              select.value = '';
            }
          "
        >
          <option value="">choose a tyre</option>
          <option v-for="tyre in lying" :key="tyre.id ?? ''" :value="tyre.id">
            {{ tyre.id }}:
            {{ [tyre.maker, tyre.pattern, tyre.size].filter(Boolean).join(' ') || 'not described' }},
            {{ tyre.place }}{{ tyre.markedBecause ? ', marked as run soft' : '' }}
          </option>
        </select>
      </label>

      <section v-if="steps.length" class="mt-5" aria-label="What this comes to">
        <p v-if="previewError" role="alert" class="text-stop">{{ previewError.message }}</p>
        <MoveSteps
          v-if="preview"
          :preview="preview"
          :is-stale="isFetching || Boolean(previewError)"
          @drop="drop"
          :off="off"
          @fate="fate"
          @reason="giveReason"
          @name="namePlace"
        />
        <ChoiceRow v-model="went" class="mt-3" :label="$t('workshop.whatWent')" :choices="WENT" />
        <div class="mt-3 flex flex-wrap items-end gap-3">
          <label class="block"
            >When it was done
            <input v-model="when" type="datetime-local" class="field mt-0.5 block" />
            <span class="block text-quiet">Left empty: now.</span>
          </label>
          <label class="block grow"
            >Note
            <input v-model="note" class="field mt-0.5 block w-full" maxlength="500" />
            <span class="block text-quiet">For the record, if there is something to say.</span>
          </label>
        </div>
        <div v-if="steps.length" class="mt-3 flex flex-wrap items-end gap-3">
          <NumberField
            v-for="moved in vehiclesOf(steps)"
            :key="moved"
            :model-value="km[moved] ?? null"
            :label="`${moved} had run`"
            unit="km"
            :least="0"
            :most="10_000_000"
            is-optional
            @update:model-value="km[moved] = $event"
          />
          <span class="basis-full text-quiet">So that a tyre’s wear counts what it ran itself.</span>
          <p v-for="read in preview?.odometers" :key="read.vehicle" class="basis-full text-next">
            Look: {{ read.vehicle }} had run {{ read.km.toLocaleString('en-GB') }} km at {{ dated(read.at) }},
            and the two cannot both be right. If the odometer was changed for another, leave the field empty.
          </p>
        </div>
        <div class="mt-3 flex flex-wrap gap-2">
          <button
            type="button"
            class="button button-main min-h-11"
            :disabled="!isReady || isBusy"
            @click="store"
          >
            Store this move
          </button>
          <button type="button" class="button min-h-11" @click="clear">Begin again</button>
        </div>
      </section>
      <div v-if="trouble" role="alert" class="mt-3 text-stop">
        <p>{{ trouble }}</p>
        <ul>
          <li v-for="fault in faults" :key="fault.field + fault.message">{{ fault.message }}</li>
        </ul>
      </div>
      <p v-if="stored" role="status" class="mt-3 font-medium">{{ stored }}</p>
      <p class="mt-4 text-quiet">
        {{ $t('workshop.deflateFirst') }}
      </p>
    </template>
    <p v-else class="mt-3">Managers and technicians move wheels; you can read what was moved.</p>
    <MoveList class="mt-7" :vehicle="chosenVehicle" :may-undo="mayHandleAlerts" />
  </div>
</template>
