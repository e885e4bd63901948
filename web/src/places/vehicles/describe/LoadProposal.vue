<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Schemas } from '@/api/client';
import { proposeTarget } from '@/api/targets';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import type { Axle } from './draft';

/** A cold target from the weighed load of the axle. */
const props = defineProps<{ axle: Axle }>();
const emit = defineEmits<{ take: [kpa: number] }>();

const units = useUnits();
const { trouble, isBusy, attempt } = useAttempt();
const load = ref<number | ''>('');
const unit = ref<'kg' | 'lb'>('kg');
const proposal = ref<Schemas['ProposedTarget']>();
const POUND_KG = 0.45359237;

watch(
  () => [props.axle.wheels, props.axle.tyreSize, props.axle.loadIndex, props.axle.maxPressureKpa],
  () => (proposal.value = undefined),
);

const propose = () =>
  attempt(async () => {
    proposal.value = undefined;
    proposal.value = await proposeTarget({
      axleLoadKg: load.value === '' ? null : load.value * (unit.value === 'lb' ? POUND_KG : 1),
      wheels: props.axle.wheels,
      tyreSize: props.axle.tyreSize || null,
      loadIndex: props.axle.loadIndex ?? null,
      maxPressureKpa: props.axle.maxPressureKpa ?? null,
    });
  });
</script>

<template>
  <div>
    <div class="flex flex-wrap items-end gap-2">
      <label class="block"
        >Or from its weighed load
        <input
          v-model.number="load"
          type="number"
          step="any"
          min="0"
          class="field figure mt-0.5 block w-32"
          @keydown.enter.prevent="propose"
        />
      </label>
      <label class="block"
        ><span class="spoken">Load in</span>
        <select v-model="unit" class="field w-20">
          <option value="kg">kg</option>
          <option value="lb">lb</option>
        </select>
      </label>
      <button type="button" class="button" :disabled="load === '' || isBusy" @click="propose">
        Propose a target
      </button>
    </div>
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
  </div>
</template>
