<script setup lang="ts">
import { computed } from 'vue';
import type { MovePreview, PlaceKind, RemovalReason, SensorFate } from '@/api/tyres';
import { useUnits } from '@/shared/units';
import { namesIn, wordsOf } from '@/shared/vocabulary';

/** What a move comes to: tyre by tyre, then wheel by wheel. */
const props = defineProps<{
  preview: MovePreview;
  isStale: boolean;
  /** What was said of each that comes off; null where it goes to a wheel. */
  off: ({ reason: RemovalReason | ''; kind: PlaceKind; name: string } | null)[];
}>();
const emit = defineEmits<{
  drop: [index: number];
  fate: [index: number, fate: SensorFate];
  reason: [index: number, reason: RemovalReason | ''];
  name: [index: number, name: string];
}>();
const units = useUnits();

/** A hand gauge tells no less [common practice]. */
const FLAT_KPA = 10;
type StepPreview = MovePreview['steps'][number];

function airWords(step: StepPreview): string {
  if (typeof step.targetKpa !== 'number') return '';
  const target = `target there ${units.pressureWords(step.targetKpa)}`;
  if (typeof step.addKpa !== 'number') return `${target}; hold a gauge to it once it is cold`;
  if (Math.abs(step.addKpa) < FLAT_KPA) return `${target}, which it has`;
  return step.addKpa > 0
    ? `${target}: add ${units.pressureWords(step.addKpa)}`
    : `${target}: let out ${units.pressureWords(-step.addKpa)} once it is cold`;
}
const bare = computed(() => props.preview.wheels.filter((wheel) => !wheel.hasTyre));
</script>

<template>
  <div :class="{ 'opacity-60': isStale }" :aria-busy="isStale">
    <ol class="border-t border-rule">
      <li v-for="(step, i) in preview.steps" :key="step.from" class="border-b border-rule py-2">
        <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
          <span v-if="step.from === step.to" class="font-medium"
            ><span class="figure">{{ step.from }}</span> {{ $t('workshop.offAndOnDone') }}</span
          >
          <span v-else class="figure font-medium">{{ step.from }} → {{ step.to }}</span>
          <span v-if="step.from === step.to" class="text-quiet">{{ $t('workshop.offAndOnNuts') }}</span>
          <label v-else-if="step.sensor" class="flex flex-wrap items-baseline gap-x-2">
            <span
              >its sensor <span class="figure">{{ step.sensor }}</span></span
            >
            <select
              class="field w-64 max-w-full py-0.5"
              :value="step.fate"
              @change="emit('fate', i, ($event.target as HTMLSelectElement).value as SensorFate)"
            >
              <option v-for="fate in step.fates" :key="fate" :value="fate">
                {{ wordsOf('sensorFates', fate) }}
              </option>
            </select>
          </label>
          <span v-else class="text-quiet">no sensor in it</span>
          <button type="button" class="link ml-auto min-h-11" @click="emit('drop', i)">
            Not this one<span class="spoken">: {{ step.from }}</span>
          </button>
        </div>
        <div v-if="off[i]" class="mt-1 flex flex-wrap items-baseline gap-x-5 gap-y-1">
          <label class="flex flex-wrap items-baseline gap-x-2">
            Why it comes off
            <select
              class="field w-64 max-w-full py-0.5"
              :value="off[i]?.reason"
              @change="emit('reason', i, ($event.target as HTMLSelectElement).value as RemovalReason | '')"
            >
              <option value="">not said</option>
              <option v-for="one in namesIn('removalReasons')" :key="one" :value="one">
                {{ wordsOf('removalReasons', one) }}
              </option>
            </select>
          </label>
          <label v-if="off[i]?.kind !== 'SCRAPPED'" class="flex flex-wrap items-baseline gap-x-2">
            {{ off[i]?.kind === 'STORE' ? 'Which store' : 'Which repairer' }}
            <input
              class="field w-52 max-w-full py-0.5"
              maxlength="100"
              :value="off[i]?.name"
              @change="emit('name', i, ($event.target as HTMLInputElement).value)"
            />
          </label>
        </div>
        <p v-if="step.tyre || airWords(step)">
          <span v-if="step.tyre" class="text-quiet"
            >{{ step.tyre }}<template v-if="airWords(step)">;&ensp;</template></span
          >{{ airWords(step) }}
        </p>
        <p v-for="said in step.said" :key="said.words" :class="said.isRefusal ? 'text-stop' : 'text-next'">
          {{ said.isRefusal ? 'Cannot be stored so: ' : 'Look: ' }}{{ said.words }}
        </p>
      </li>
    </ol>
    <p
      v-for="said in preview.axles"
      :key="said.words"
      class="mt-1"
      :class="said.isRefusal ? 'text-stop' : 'text-next'"
    >
      {{ said.isRefusal ? 'Cannot be stored so: ' : 'Look: ' }}{{ said.words }}
    </p>
    <template v-if="preview.wheels.length">
      <h2 class="mt-4 text-base">Every wheel afterwards</h2>
      <ul class="mt-1 grid gap-x-8 sm:grid-cols-2">
        <li
          v-for="wheel in preview.wheels"
          :key="wheel.vehicle + wheel.position"
          class="flex flex-wrap gap-x-3 border-b border-rule py-1"
        >
          <span class="figure w-24">{{ wheel.vehicle }} {{ wheel.position }}</span>
          <span v-if="wheel.sensor"
            >reported by <span class="figure">{{ wheel.sensor }}</span></span
          >
          <span v-else class="text-next">no sensor reports</span>
          <span v-if="!wheel.hasTyre" class="text-next">no tyre</span>
        </li>
      </ul>
    </template>
    <p v-if="bare.length" class="mt-1 text-next">
      Look: {{ bare.map((wheel) => `${wheel.vehicle} ${wheel.position}`).join(', ') }} will have no tyre.
    </p>
  </div>
</template>
