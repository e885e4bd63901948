<script setup lang="ts">
import { computed } from 'vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import {
  ARRANGEMENT_CHOICES,
  arrangementWords,
  DUTY_CHOICES,
  dutyWords,
  ROLE_CHOICES,
  roleWords,
} from '@/shared/position';
import NumberField from '@/shared/NumberField.vue';
import PressureField from '@/shared/PressureField.vue';
import type { Axle } from './draft';
import LoadProposal from './LoadProposal.vue';

/** Everything that can be said of one axle. */
const props = defineProps<{
  axle: Axle;
  number: number;
  isFarm: boolean;
  faults?: Map<string, string> | undefined;
}>();
const emit = defineEmits<{ change: [how: Partial<Axle>] }>();

const asChoices = <T extends string>(values: string[], words: (value: string) => string) =>
  values.map((value) => ({ value: value as T, words: words(value) }));
const ROLES = asChoices<Axle['role']>(ROLE_CHOICES, roleWords);
const ARRANGEMENTS = asChoices<Axle['wheels']>(ARRANGEMENT_CHOICES, arrangementWords);

/** A field of the axle that can be bound. */
function part<K extends keyof Axle>(name: K) {
  return computed({
    get: () => props.axle[name],
    set: (value) => emit('change', { [name]: value } as Partial<Axle>),
  });
}
const role = part('role');
const wheels = part('wheels');
const cold = part('coldPressureKpa');
const liftable = part('liftable');
const ballasted = part('ballasted');
const inflates = part('automaticInflation');
const tyreSize = part('tyreSize');
const duty = computed({
  get: () => props.axle.duty ?? null,
  set: (value) => emit('change', { duty: value }),
});

const optional = (name: 'fieldPressureKpa' | 'unladenPressureKpa' | 'liftUpPressureKpa' | 'maxPressureKpa') =>
  computed<number | null>({
    get: () => props.axle[name] ?? null,
    set: (value) => emit('change', { [name]: value }),
  });
const field = optional('fieldPressureKpa');
const unladen = optional('unladenPressureKpa');
const liftUp = optional('liftUpPressureKpa');
const most = optional('maxPressureKpa');

const numeric = (name: 'rimInches' | 'dropCentreMm' | 'loadIndex') =>
  computed<number | null>({
    get: () => props.axle[name] ?? null,
    set: (value) => emit('change', { [name]: value }),
  });
const rim = numeric('rimInches');
const dropCentre = numeric('dropCentreMm');
const loadIndex = numeric('loadIndex');
const fault = (name: string) => props.faults?.get(name);
/** Faults of limits, which are set elsewhere, have no field here. */
const others = computed(() =>
  [...(props.faults ?? [])].filter(([name]) => !(name in props.axle) && !name.endsWith('PressureKpa')),
);
const isLoadCarrier = computed(() => props.axle.role !== 'STEER');
</script>

<template>
  <div class="grid gap-3">
    <ChoiceRow v-model="role" label="It is there to" :choices="ROLES" />
    <ChoiceRow v-model="wheels" label="At each end" :choices="ARRANGEMENTS" />
    <div class="flex flex-wrap gap-x-6 gap-y-1">
      <label class="flex items-center gap-2"
        ><input v-model="liftable" type="checkbox" /> can be lifted off the road</label
      >
      <label class="flex items-center gap-2"
        ><input v-model="inflates" type="checkbox" /> a system on the vehicle inflates it</label
      >
      <label v-if="isFarm" class="flex items-center gap-2"
        ><input v-model="ballasted" type="checkbox" /> its tyres hold liquid</label
      >
    </div>
    <div class="grid gap-x-4 sm:grid-cols-3">
      <PressureField v-model="cold" label="Cold target, from the placard" :fault="fault('coldPressureKpa')" />
      <PressureField
        v-if="isFarm"
        v-model="field"
        label="Target in the field"
        is-optional
        :fault="fault('fieldPressureKpa')"
      />
      <PressureField
        v-if="isLoadCarrier && !isFarm"
        v-model="unladen"
        label="Target unladen"
        is-optional
        :fault="fault('unladenPressureKpa')"
      />
      <PressureField
        v-if="!isFarm"
        v-model="liftUp"
        label="Target, lift axles up"
        is-optional
        :fault="fault('liftUpPressureKpa')"
      />
    </div>
    <div class="grid gap-x-4 sm:grid-cols-3">
      <label
        >Tyre size, as on the sidewall
        <input
          v-model="tyreSize"
          class="field figure mt-0.5"
          maxlength="40"
          autocomplete="off"
          placeholder="315/80 R22.5"
        />
      </label>
      <NumberField
        v-model="loadIndex"
        label="Load index of the single tyre"
        :least="60"
        :most="210"
        is-optional
        is-whole
        :fault="fault('loadIndex')"
      />
      <PressureField
        v-model="most"
        label="Most that tyre, rim and valve may have"
        is-optional
        :fault="fault('maxPressureKpa')"
      />
      <NumberField
        v-model="rim"
        label="Rim diameter"
        unit="inches"
        :least="8"
        :most="60"
        is-optional
        :fault="fault('rimInches')"
      />
      <NumberField
        v-model="dropCentre"
        label="Drop-centre width"
        unit="mm"
        :least="5"
        :most="300"
        is-optional
        :fault="fault('dropCentreMm')"
      />
      <label
        >Duty, if not the vehicle’s
        <select v-model="duty" class="field mt-0.5">
          <option :value="null">as the vehicle</option>
          <option v-for="one in DUTY_CHOICES" :key="one" :value="one">{{ dutyWords(one) }}</option>
        </select>
      </label>
    </div>
    <LoadProposal :axle="axle" @take="cold = $event" />
    <p v-for="[name, message] in others" :key="name" role="alert" class="text-stop">{{ message }}</p>
  </div>
</template>
