<script setup lang="ts">
import { useDebouncedRefHistory, useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useDescribing, useDescription, useLayouts } from '@/api/describe';
import { onPageKeys } from '@/shared/keys';
import AxleStrip from '@/shared/AxleStrip.vue';
import { DUTY_CHOICES, dutyWords, KIND_CHOICES, place, vehicleKindWords } from '@/shared/position';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import AxleEditor from './AxleEditor.vue';
import AxleRail from './AxleRail.vue';
import BatchSection from './BatchSection.vue';
import {
  added,
  changed,
  draftOf,
  EMPTY,
  entryOf,
  faultsByAxle,
  moved,
  removed,
  stripOf,
  type Axle,
  type Draft,
} from './draft';
import LayoutChooser from './LayoutChooser.vue';
import { useAttempt } from '@/shared/useAttempt';

/** Composes what a vehicle looks like, while its strip is drawn. */
const props = defineProps<{ vehicleRef?: string }>();

const router = useRouter();
const { data: described, error } = useDescription(() => props.vehicleRef);
const { data: layouts } = useLayouts();
const { create, change } = useDescribing();

/** What was entered stays over a reload, together with the revision it was made from. */
const kept = useLocalStorage<{ revision: number; draft: Draft }>(
  `vivid-caravan.describe.${props.vehicleRef ?? ''}`,
  { revision: 0, draft: { ...EMPTY } },
);
const draft = computed<Draft>({
  get: () => kept.value.draft,
  set: (value) => (kept.value = { ...kept.value, draft: value }),
});
const { undo, redo, canUndo, canRedo, clear } = useDebouncedRefHistory(kept, {
  deep: true,
  debounce: 300,
  capacity: 200,
});
watch(
  described,
  (now) => {
    if (now && kept.value.revision === 0) {
      kept.value = { revision: now.revision, draft: draftOf(now.vehicle) };
      clear();
    }
  },
  { immediate: true },
);
const isOutdated = computed(
  () =>
    Boolean(described.value) && kept.value.revision > 0 && described.value?.revision !== kept.value.revision,
);

const chosen = ref(0);
const { trouble, faults, isBusy, attempt } = useAttempt();
const axle = computed(() => draft.value.axles[chosen.value]);
const byAxle = computed(() => faultsByAxle(faults.value));
const isFarm = computed(() => ['FARM_TRACTOR', 'IMPLEMENT'].includes(draft.value.kind));
const isStarted = computed(() => draft.value.axles.length > 0);
watch(
  () => draft.value.axles.length,
  (length) => (chosen.value = Math.max(0, Math.min(chosen.value, length - 1))),
);

function text<K extends 'ref' | 'plate' | 'depot' | 'kind' | 'duty' | 'spares'>(name: K) {
  return computed({
    get: () => draft.value[name],
    set: (value) => (draft.value = { ...draft.value, [name]: value }),
  });
}
const vehicleName = text('ref');
const plate = text('plate');
const depot = text('depot');
const kind = text('kind');
const duty = text('duty');
const spares = text('spares');

const changeAxle = (how: Partial<Axle>) => (draft.value = changed(draft.value, chosen.value, how));
function add(): void {
  draft.value = added(draft.value, chosen.value);
  chosen.value = Math.min(chosen.value + 1, draft.value.axles.length - 1);
}
const remove = () => (draft.value = removed(draft.value, chosen.value));
function move(steps: number): void {
  const before = draft.value;
  draft.value = moved(before, chosen.value, steps);
  if (draft.value !== before) chosen.value += steps;
}
function chooseWheel(position: string): void {
  const { axle: number } = place(position);
  if (number) chosen.value = number - 1;
}

onPageKeys((event) => {
  if (!(event.ctrlKey || event.metaKey)) return;
  if (event.key === 'z' && !event.shiftKey) undo();
  else if (event.key === 'y' || (event.key === 'z' && event.shiftKey)) redo();
  else return;
  event.preventDefault();
});

function forget(): void {
  kept.value = { revision: 0, draft: { ...EMPTY } };
  if (described.value) {
    kept.value = { revision: described.value.revision, draft: draftOf(described.value.vehicle) };
  }
  faults.value = [];
  trouble.value = '';
}

async function store(): Promise<void> {
  await attempt(async () => {
    const entry = entryOf(draft.value);
    const stored = props.vehicleRef
      ? await change(props.vehicleRef, kept.value.revision, entry)
      : await create(entry);
    kept.value = { revision: 0, draft: { ...EMPTY } };
    await router.push({ name: 'vehicle', params: { vehicleRef: stored.vehicle.ref } });
  });
  const first = [...byAxle.value.keys()].filter((i) => i >= 0).sort((a, b) => a - b)[0];
  if (first !== undefined) chosen.value = first;
}
const own = (name: string) => byAxle.value.get(-1)?.get(name);
</script>

<template>
  <div class="max-w-6xl px-6 py-4">
    <p><RouterLink class="way" to="/vehicles">Vehicles</RouterLink></p>
    <div class="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-2">
      <h1 class="text-xl">
        <template v-if="vehicleRef"
          >What <span class="figure">{{ vehicleRef }}</span> looks like</template
        >
        <template v-else>Describe a vehicle</template>
      </h1>
      <span v-if="isStarted" class="ml-auto flex gap-1">
        <button type="button" class="button" :disabled="!canUndo" @click="undo">Undo</button>
        <button type="button" class="button" :disabled="!canRedo" @click="redo">Redo</button>
        <button type="button" class="button" @click="forget">
          {{ vehicleRef ? 'Drop my changes' : 'Begin anew' }}
        </button>
        <button type="button" class="button button-main" :disabled="isBusy" @click="store">
          {{ vehicleRef ? 'Store the change' : 'Store the vehicle' }}
        </button>
      </span>
    </div>
    <p v-if="error" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-if="isOutdated" role="alert" class="mt-2 text-next">
      Somebody else changed this vehicle since you began. What you see is yours; drop it to see theirs.
    </p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>

    <LayoutChooser v-if="!isStarted && !vehicleRef" class="mt-4" @start="draft = $event" />
    <template v-else-if="isStarted && axle">
      <div class="mt-3 grid gap-x-4 gap-y-1 sm:grid-cols-3 lg:grid-cols-6">
        <label
          >Ref
          <input v-model="vehicleName" class="field figure mt-0.5" maxlength="60" autocomplete="off" />
          <span v-if="own('ref')" class="text-stop">{{ own('ref') }}</span>
        </label>
        <label
          >Plate <input v-model="plate" class="field figure mt-0.5" maxlength="40" autocomplete="off"
        /></label>
        <label
          >Depot
          <input v-model="depot" class="field mt-0.5" maxlength="120" list="depots" autocomplete="off" />
          <datalist id="depots">
            <option v-for="one in layouts?.depots" :key="one" :value="one"></option>
          </datalist>
        </label>
        <label
          >Kind
          <select v-model="kind" class="field mt-0.5">
            <option v-for="one in KIND_CHOICES" :key="one" :value="one">{{ vehicleKindWords(one) }}</option>
          </select>
        </label>
        <label
          >Duty
          <select v-model="duty" class="field mt-0.5">
            <option v-for="one in DUTY_CHOICES" :key="one" :value="one">{{ dutyWords(one) }}</option>
          </select>
        </label>
        <label
          >Spares
          <select v-model.number="spares" class="field mt-0.5">
            <option v-for="n in 10" :key="n" :value="n - 1">{{ n - 1 }}</option>
          </select>
        </label>
      </div>

      <p class="mt-4 mb-1 text-quiet">Front at the left, left wheels above</p>
      <SidewaysScroll label="The vehicle’s axles">
        <AxleStrip
          :vehicle="stripOf(draft)"
          size="page"
          is-interactive
          :chosen-axle="chosen + 1"
          @choose="chooseWheel"
        />
      </SidewaysScroll>
      <AxleRail
        v-model="chosen"
        class="mt-2"
        :axles="draft.axles"
        :faulty="new Set([...byAxle.keys()].filter((i) => i >= 0))"
        @add="add"
        @remove="remove"
        @move="move"
      />

      <section class="mt-4 max-w-4xl border-t border-rule pt-3">
        <h2 class="mb-2 text-base">
          Axle <span class="figure">{{ chosen + 1 }}</span>
        </h2>
        <AxleEditor
          :key="chosen"
          :axle="axle"
          :number="chosen + 1"
          :is-farm="isFarm"
          :faults="byAxle.get(chosen)"
          @change="changeAxle"
        />
        <p class="mt-2 text-quiet">
          The pressures to start from are common ones. The placard or the tyre maker’s table goes first.
        </p>
      </section>
      <BatchSection v-if="!vehicleRef" class="mt-6 border-t border-rule pt-3" :draft="draft" />
    </template>
  </div>
</template>
