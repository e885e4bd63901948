<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useDemo } from '@/api/demo';
import { useJob, useJobActions } from '@/api/jobs';
import { PLAN_STATES, useKitPlans } from '@/api/stores';
import AxleStrip from '@/shared/AxleStrip.vue';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import GaugeForm from './GaugeForm.vue';
import HandheldStandIn from './HandheldStandIn.vue';
import {
  bareStripOf,
  isDone,
  marks,
  nextWheel,
  presentStage,
  STAGE_DONE,
  STAGES,
  stageWords,
  withWaiting,
  type Stage,
} from './job';
import ProofTable from './ProofTable.vue';
import UnsettledEntries from './UnsettledEntries.vue';
import { useEntering } from './useEntering';
import WheelInspect from './WheelInspect.vue';
import WheelMount from './WheelMount.vue';
import WheelPair from './WheelPair.vue';
import WheelProve from './WheelProve.vue';
import ReasonForm from './ReasonForm.vue';
import { tell } from '@/shared/tell';
import { useAttempt } from '@/shared/useAttempt';

/** A fit-out, wheel by wheel, beside the vehicle. */
const props = defineProps<{ id: string }>();

const router = useRouter();
const { data: stored, error } = useJob(() => props.id);
const { end } = useJobActions();
const { demo } = useDemo();
const { data: plans } = useKitPlans();
const { enter, trouble, isOnline, isCutOff, unsent, unsettled, insist, drop, stop } = useEntering(stored);
onBeforeUnmount(stop);

const job = computed(() => stored.value && withWaiting(stored.value, unsent.value));
const kits = computed(() =>
  plans.value?.filter((plan) => job.value && plan.vehicles.includes(job.value.vehicle)),
);
const stage = ref<Stage>('inspect');
const position = ref<string>();
const wheel = computed(() => job.value?.wheels.find((one) => one.position === position.value));
const number = computed(
  () => (job.value?.wheels.findIndex((one) => one.position === position.value) ?? -1) + 1,
);

watch(
  () => job.value?.id,
  () => {
    if (!job.value || position.value) return;
    stage.value = presentStage(job.value);
    position.value = nextWheel(job.value, stage.value) ?? job.value.wheels[0]?.position;
  },
  { immediate: true },
);

function choose(next: Stage): void {
  stage.value = next;
  if (job.value) position.value = nextWheel(job.value, next) ?? position.value;
}

/** On to the next wheel that this stage is not done with. */
function goOn(): void {
  if (!job.value) return;
  const next = nextWheel(job.value, stage.value, position.value);
  if (next) position.value = next;
}

function back(): void {
  const before = job.value?.wheels[number.value - 2];
  if (before) position.value = before.position;
}

const heading = useTemplateRef('heading');
/** What was just done, for whoever does not see the mark in the picture. */
const said = ref('');
const nextStage = computed(() => STAGES[STAGES.indexOf(stage.value) + 1]);
const isStageOver = computed(
  () => job.value !== undefined && doneCount(stage.value) === job.value.wheels.length,
);

async function enterAndGoOn(...what: Parameters<typeof enter>): Promise<void> {
  await enter(...what);
  const now = job.value?.wheels.find((one) => one.position === what[1]);
  if (!now || !isDone(now, stage.value)) return;
  said.value = `${now.words}: ${STAGE_DONE[stage.value]}${now.code && stage.value === 'pair' ? `, ${now.code}` : ''}.`;
  // The form that was sent is gone; what comes next is read out instead.
  await readOut(goOn);
}

/** Moves to another wheel or stage, which is read out from its heading on. */
async function readOut(move: () => void): Promise<void> {
  move();
  await nextTick();
  heading.value?.focus();
}

function chooseNext(): void {
  if (nextStage.value) choose(nextStage.value);
}

function chooseWheel(chosen: string): void {
  position.value = chosen;
  if (wheel.value) tell(wheel.value.words);
}

const { trouble: ending, attempt } = useAttempt();
const finish = (state: 'DONE' | 'DROPPED', reason: string | null) =>
  attempt(async () => {
    await end(props.id, { state, reason });
    await router.push({ name: 'job-record', params: { id: props.id } });
  });
const doneCount = (one: Stage) => job.value?.wheels.filter((w) => isDone(w, one)).length ?? 0;
const waits = computed(() =>
  unsent.value.length
    ? isOnline.value && !isCutOff.value
      ? 'being stored …'
      : `${unsent.value.length} waiting for signal, kept on this device`
    : unsettled.value.length
      ? `${unsettled.value.length} not stored: look below`
      : isOnline.value
        ? 'all stored'
        : 'no signal; what you enter is kept on this device',
);
</script>

<template>
  <p v-if="error && !job" role="alert" class="p-6 text-next">{{ error.message }}</p>
  <p v-else-if="!job" class="p-6 text-quiet">Fetching the job …</p>
  <div v-else class="mx-auto w-full max-w-6xl px-4 py-3 lg:grid lg:grid-cols-[27rem_1fr] lg:gap-8">
    <div class="min-w-0">
      <div class="flex items-baseline justify-between gap-3">
        <RouterLink class="way" to="/workshop">‹ Workshop</RouterLink>
        <h1 class="text-lg">
          Fit-out <span class="figure">{{ job.vehicle }}</span>
        </h1>
      </div>
      <p role="status" class="text-sm text-quiet">{{ waits }}</p>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <UnsettledEntries :entries="unsettled" @insist="insist" @drop="drop" />

      <p v-if="job.state !== 'OPEN'" class="mt-3">
        This job has ended.
        <RouterLink :to="{ name: 'job-record', params: { id } }">See its record</RouterLink>
      </p>
      <template v-else>
        <nav aria-label="Stages" class="mt-2 grid grid-cols-4 gap-1">
          <button
            v-for="one in STAGES"
            :key="one"
            type="button"
            class="button px-1! text-center"
            :aria-pressed="stage === one"
            @click="readOut(() => choose(one))"
          >
            {{ stageWords(one) }}
            <span class="figure block text-xs">{{ doneCount(one) }}/{{ job.wheels.length }}</span>
          </button>
        </nav>
        <SidewaysScroll label="The vehicle’s wheels" class="mt-2">
          <AxleStrip
            class="mx-auto"
            :vehicle="bareStripOf(job)"
            size="page"
            is-interactive
            :chosen="position"
            :marks="marks(job, stage)"
            @choose="chooseWheel"
          />
        </SidewaysScroll>
        <template v-if="wheel">
          <p class="mt-1 text-quiet">Wheel {{ number }} of {{ job.wheels.length }}, {{ job.walkWords }}</p>
          <h2 ref="heading" tabindex="-1" class="mb-2 text-2xl first-letter:uppercase">{{ wheel.words }}</h2>
          <p class="spoken" aria-live="polite">{{ said }}</p>
          <p
            v-if="isStageOver"
            role="status"
            class="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-3 border-action pl-3"
          >
            All {{ job.wheels.length }} wheels are {{ STAGE_DONE[stage] }}.
            <button v-if="nextStage" type="button" class="button button-main" @click="readOut(chooseNext)">
              On to {{ stageWords(nextStage).toLowerCase() }}
            </button>
            <template v-else>Put it into service below.</template>
          </p>
          <WheelInspect
            v-if="stage === 'inspect'"
            :wheel="wheel"
            @inspected="enterAndGoOn('INSPECTED', wheel.position, $event)"
            @passed="enterAndGoOn('PASSED_ANYWAY', wheel.position, { reason: $event })"
          />
          <WheelMount
            v-else-if="stage === 'mount'"
            :job="job"
            :wheel="wheel"
            @mounted="enterAndGoOn('MOUNTED', wheel.position, $event)"
          />
          <WheelPair
            v-else-if="stage === 'pair'"
            :job="job"
            :wheel="wheel"
            :is-online="isOnline"
            @take="(code, isMeant) => wheel && enterAndGoOn('PAIRED', wheel.position, { code }, isMeant)"
            @leave-out="enterAndGoOn('LEFT_OUT', wheel.position, { reason: $event })"
          />
          <WheelProve
            v-else
            :job="job"
            :wheel="wheel"
            @gauged="enter('GAUGED', wheel.position, $event)"
            @air-set="enter('AIR_SET', wheel.position, {})"
            @proved="enter('PROVED', wheel.position, {})"
            @exchange="enter('EXCHANGED', wheel.position, { other: $event })"
            @answer-for="enterAndGoOn('TAKEN_AS_PROVEN', wheel.position, { reason: $event })"
          />
          <div class="mt-3 grid grid-cols-2 gap-2">
            <button type="button" class="button min-h-11" :disabled="number <= 1" @click="readOut(back)">
              Back one
            </button>
            <button type="button" class="button min-h-11" @click="readOut(goOn)">Next open wheel</button>
          </div>
          <HandheldStandIn
            v-if="demo?.isDemo"
            class="mt-4"
            :vehicle="job.vehicle"
            :positions="job.wheels.map((one) => one.position)"
            :chosen="wheel.position"
          />
        </template>
      </template>
    </div>
    <div v-if="job.state === 'OPEN'" class="mt-6 min-w-0 lg:mt-8">
      <h2 class="text-base">Every wheel</h2>
      <ProofTable :job="job" :chosen="position" @choose="(chosen) => readOut(() => (position = chosen))" />
      <p v-for="plan in kits" :key="plan.id" class="mt-3">
        <RouterLink :to="{ name: 'kit-plan', params: { id: plan.id } }">Kit plan {{ plan.id }}</RouterLink
        >: {{ PLAN_STATES[plan.state] }}
      </p>
      <GaugeForm class="mt-4" :gauge="job.gauge ?? undefined" @named="enter('GAUGE_NAMED', null, $event)" />
      <section v-if="job.heldBack.length" class="mt-4">
        <h2 class="text-base">Would be on the Desk if it were in service</h2>
        <p v-for="words in job.heldBack" :key="words">{{ words }}</p>
      </section>
      <div class="mt-5 flex flex-wrap items-start gap-2">
        <button
          type="button"
          class="button button-main"
          :disabled="!job.isProven"
          @click="finish('DONE', null)"
        >
          All is proven: into service
        </button>
        <ReasonForm label="Drop the job, with a reason" action="Drop it" @say="finish('DROPPED', $event)" />
      </div>
      <p v-if="!job.isProven" class="mt-1 text-quiet">
        It comes into service once no wheel misses anything, or somebody answers for it with a reason.
      </p>
      <p v-if="ending" role="alert" class="mt-1 text-stop">{{ ending }}</p>
    </div>
  </div>
</template>
