<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { EntryData, JobItem, JobWheel } from '@/api/jobs';
import PressureField from '@/shared/PressureField.vue';
import { placeWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { useUnits } from '@/shared/units';
import ReasonForm from './ReasonForm.vue';
import { usePeople } from '@/api/people';

/** Shows that a sensor sits where it is said to sit, and says what a hand gauge says. */
const props = defineProps<{ job: JobItem; wheel: JobWheel }>();
const emit = defineEmits<{
  gauged: [data: EntryData];
  airSet: [];
  proved: [];
  exchange: [other: string];
  answerFor: [reason: string];
}>();

const { nameOf } = usePeople();
const units = useUnits();
const { age } = useClock();
const gauge = ref<number | null>(null);
watch(
  () => [props.wheel.position, props.wheel.gauge?.by.number],
  () => (gauge.value = props.wheel.gauge?.gaugeKpa ?? null),
  { immediate: true },
);
const HEARING: Record<NonNullable<JobWheel['hearing']>, string> = {
  HEARD: '',
  NOT_YET: 'Turn the wheel, or let a little air in or out, to wake it.',
  ASLEEP: 'It sleeps, as the others do: the value is old. Turn the wheel, or let a little air in or out.',
  SILENT:
    'It is silent while most of the others talk. Look at its code, its battery and its antenna, and whether a repeater helps.',
};
const air = computed(() => props.wheel.air);
const step = computed(() => units.pressureWords(props.job.proofStepKpa));

/** What is proved is written down at once; nobody has to press a button with the air line in his hand. */
let proving = '';
watch(
  () => air.value?.verdict,
  (verdict) => {
    if (verdict === 'PROVED' && proving !== props.wheel.position) {
      proving = props.wheel.position;
      emit('proved');
    }
  },
  { immediate: true },
);
</script>

<template>
  <div class="grid gap-4">
    <p v-if="!wheel.code" class="text-quiet">No sensor was taken for this wheel yet.</p>
    <template v-else>
      <p>
        <span class="figure font-semibold">{{ wheel.code }}</span><template v-if="wheel.state.at"
          >,
          <span class="figure">
            {{
              typeof wheel.state.pressureKpa === 'number'
                ? units.pressureWords(wheel.state.pressureKpa)
                : 'no pressure'
            }},
            {{
              typeof wheel.state.temperatureC === 'number'
                ? units.temperatureWords(wheel.state.temperatureC)
                : ''
            }}</span
          >, {{ age(wheel.state.at) }} ago
        </template>
        <template v-else>, not heard yet</template>
      </p>
      <p v-if="wheel.hearing && HEARING[wheel.hearing]" :class="{ 'text-next': wheel.hearing === 'SILENT' }">
        {{ HEARING[wheel.hearing] }}
      </p>
      <form class="grid gap-2" @submit.prevent="gauge !== null && emit('gauged', { gaugeKpa: gauge })">
        <PressureField v-model="gauge" label="Hand gauge" is-optional />
        <button type="submit" class="button min-h-11" :disabled="gauge === null">
          Enter what the gauge shows
        </button>
        <p v-if="wheel.gauge && typeof wheel.gauge.differenceKpa === 'number'" role="status">
          <template v-if="wheel.gauge.agrees">Gauge and sensor agree.</template>
          <span v-else class="text-stop">
            They disagree by {{ units.pressureWords(Math.abs(wheel.gauge.differenceKpa)) }}: the gauge should
            show {{ units.pressureWords(wheel.gauge.expectedKpa ?? 0) }} here. Look whether it is the right
            wheel, and when the gauge was calibrated.
          </span>
        </p>
      </form>
      <section>
        <h3 class="text-base">Position</h3>
        <p v-if="wheel.proved" role="status">Proved by air, {{ nameOf(wheel.proved.who) }}.</p>
        <template v-else>
          <p class="text-quiet">
            Press the button, then let {{ step }} in or out at this wheel and at no other.
          </p>
          <button type="button" class="button button-main mt-1 min-h-13 w-full" @click="emit('airSet')">
            {{ air ? 'Begin again' : 'I let air in or out here now' }}
          </button>
          <div v-if="air" role="status" class="mt-2">
            <p v-if="air.verdict === 'NOT_YET'">
              Waiting for the sensors … nothing has moved by {{ step }} yet.
            </p>
            <p v-else-if="air.verdict === 'UNCLEAR'" class="text-next">
              Several wheels moved. Let nobody else set pressures meanwhile, and begin again.
            </p>
            <div v-else-if="air.verdict === 'CROSSED' && air.moved">
              <p class="font-semibold text-stop">
                The air was seen at {{ placeWords(air.moved) }}: the two have each other’s sensors.
              </p>
              <button
                type="button"
                class="button button-main mt-1 min-h-13 w-full"
                @click="emit('exchange', air.moved)"
              >
                Exchange them, then prove both
              </button>
            </div>
          </div>
        </template>
      </section>
      <p v-if="wheel.advisesRepeater" class="text-next">
        {{ wheel.received }} of {{ wheel.expected }} messages came through. Keep a repeater ready, and fit one
        if that stays so for a day, coupled and in its real place.
      </p>
      <p v-if="wheel.takenAsProven">
        Answered for by {{ nameOf(wheel.takenAsProven.by.who) }}: {{ wheel.takenAsProven.reason }}
      </p>
      <ReasonForm
        v-else-if="wheel.missing.length"
        label="Take it as proven, with a reason"
        action="I answer for it"
        @say="emit('answerFor', $event)"
      />
    </template>
  </div>
</template>
