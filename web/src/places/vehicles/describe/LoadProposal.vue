<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Schemas } from '@/api/client';
import { proposeTarget } from '@/api/targets';
import NumberField from '@/shared/NumberField.vue';
import PressureField from '@/shared/PressureField.vue';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import type { Axle } from './draft';

/** A cold target from the weighed load of the axle. */
const props = defineProps<{ axle: Axle }>();
const emit = defineEmits<{ take: [kpa: number] }>();

const units = useUnits();
const { trouble, isBusy, attempt } = useAttempt();
const load = ref<number | null>(null);
const unit = ref<'kg' | 'lb'>('kg');
const speed = ref<number | null>(null);
const twinIndex = ref<number | null>(null);
const reference = ref<number | null>(null);
const proposal = ref<Schemas['ProposedTarget']>();
const POUND_KG = 0.45359237;

watch(
  [
    () => [props.axle.wheels, props.axle.tyreSize, props.axle.loadIndex, props.axle.maxPressureKpa],
    load,
    unit,
    speed,
    twinIndex,
    reference,
  ],
  () => (proposal.value = undefined),
);

const propose = () =>
  attempt(async () => {
    proposal.value = undefined;
    proposal.value = await proposeTarget({
      axleLoadKg: load.value === null ? null : load.value * (unit.value === 'lb' ? POUND_KG : 1),
      wheels: props.axle.wheels,
      tyreSize: props.axle.tyreSize || null,
      speedKmh: speed.value,
      loadIndex: props.axle.loadIndex ?? null,
      loadIndexTwin: twinIndex.value,
      referenceKpa: reference.value,
      maxPressureKpa: props.axle.maxPressureKpa ?? null,
    });
  });
</script>

<template>
  <details :open="load !== null">
    <summary class="cursor-pointer">A target from the weighed load of this axle</summary>
    <div class="mt-1 grid gap-x-4 sm:grid-cols-3" @keydown.enter.prevent="propose">
      <div class="flex items-start gap-2">
        <NumberField v-model="load" class="grow" label="Weighed load of the axle" is-optional />
        <label class="mt-[1.4rem] block"
          ><span class="spoken">Load in</span>
          <select v-model="unit" class="field w-20">
            <option value="kg">kg</option>
            <option value="lb">lb</option>
          </select>
        </label>
      </div>
      <NumberField
        v-model="speed"
        label="At a speed of up to, if not the road’s"
        unit="km/h"
        :least="5"
        :most="160"
        is-optional
        is-whole
      />
      <p class="text-quiet sm:col-span-3">
        By the load table of the tyre’s size. Without one, an estimate from the load index and this:
      </p>
      <NumberField
        v-if="axle.wheels === 'TWIN'"
        v-model="twinIndex"
        label="Load index of a twin, as 150 in 156/150"
        :least="60"
        :most="210"
        is-optional
        is-whole
      />
      <PressureField v-model="reference" label="Pressure beside the load, on the sidewall" is-optional />
    </div>
    <button type="button" class="button" :disabled="load === null || isBusy" @click="propose">
      Propose a target
    </button>
    <div role="status">
      <p v-if="proposal" class="mt-1 border-l-2 border-rule pl-3">
        <template v-if="typeof proposal.kpa === 'number'">
          <strong class="figure">{{ units.pressureWords(proposal.kpa) }}</strong>
          <span v-if="proposal.base === 'ESTIMATE'" class="font-semibold text-next"> estimate</span>.
        </template>
        {{ proposal.words }}
        <button
          v-if="typeof proposal.kpa === 'number'"
          type="button"
          class="button ml-2"
          @click="emit('take', Math.round(proposal.kpa))"
        >
          Take it
        </button>
      </p>
    </div>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </details>
</template>
