<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { EntryData, JobItem, JobWheel } from '@/api/jobs';
import TemperatureField from '@/shared/TemperatureField.vue';
import { useUnits } from '@/shared/units';
import StepTimer from './StepTimer.vue';
import { usePeople } from '@/api/people';

/** Mounting a sensor, step by step. */
const props = defineProps<{ job: JobItem; wheel: JobWheel }>();
const emit = defineEmits<{ mounted: [data: EntryData] }>();

const { nameOf } = usePeople();
const units = useUnits();
const done = ref<number[]>([]);
const celsius = ref<number | null>(null);
watch(
  () => props.wheel.position,
  () => (done.value = []),
);

const needsWarmth = computed(() => props.job.steps.some((step) => step.needsWarmth));
const isWarmEnough = computed(
  () =>
    !needsWarmth.value ||
    (celsius.value !== null &&
      celsius.value >= props.job.warmth.lowestC &&
      celsius.value <= props.job.warmth.highestC),
);
const isStopped = (step: JobItem['steps'][number]) => step.needsWarmth && !isWarmEnough.value;
const areAllDone = computed(() => done.value.length === props.job.steps.length);
</script>

<template>
  <div class="grid gap-3">
    <p v-for="misfit in wheel.misfits" :key="misfit" role="alert" class="text-stop">{{ misfit }}</p>
    <ul v-if="job.cautions.length" class="border-l-2 border-ink pl-3">
      <li v-for="caution in job.cautions" :key="caution">{{ caution }}</li>
    </ul>
    <div v-if="needsWarmth">
      <TemperatureField v-model="celsius" label="Temperature of tyre, glue and sensor" />
      <span v-if="celsius !== null && !isWarmEnough" role="alert" class="text-stop">
        Gluing needs {{ units.temperatureWords(job.warmth.lowestC) }} to
        {{ units.temperatureWords(job.warmth.highestC) }}. Bring tyre, glue and sensor there first; do not go
        on.
      </span>
    </div>
    <p v-if="!job.steps.length" class="text-quiet">
      This job names no way of holding the sensors; go by the maker’s instructions.
    </p>
    <ol>
      <li v-for="(step, i) in job.steps" :key="i" class="border-b border-rule py-2">
        <label class="flex min-h-11 items-center gap-3" :class="{ 'text-quiet': isStopped(step) }">
          <input v-model="done" type="checkbox" :value="i" :disabled="isStopped(step)" />
          <span
            ><span class="figure">{{ i + 1 }}</span> {{ step.words }}</span
          >
        </label>
        <StepTimer v-if="step.seconds" class="ml-7" :seconds="step.seconds" />
      </li>
    </ol>
    <button
      type="button"
      class="button button-main min-h-13"
      :disabled="!areAllDone || !isWarmEnough"
      @click="emit('mounted', { mount: job.mount ?? null, ambientC: celsius ?? null, stepsDone: done })"
    >
      The sensor is in
    </button>
    <p v-if="wheel.mounted" class="text-quiet">Mounted by {{ nameOf(wheel.mounted.who) }}.</p>
  </div>
</template>
