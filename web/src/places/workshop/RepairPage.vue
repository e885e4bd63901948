<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useAlertActs } from '@/api/alertActs';
import { useAlert, useVehicle } from '@/api/fleet';
import { usePeople } from '@/api/people';
import { useSession } from '@/api/session';
import AxleStrip from '@/shared/AxleStrip.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { placeWords } from '@/shared/position';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useClock } from '@/shared/time';
import { urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { useAttempt } from '@/shared/useAttempt';
import SafetyNotes from '../desk/SafetyNotes.vue';
import { reportOf, TYRE_CHANGED, type Decision } from './repair';

/** What an alert wants done at a wheel, and what was found and done there. */
const props = defineProps<{ id: string }>();

const { data: detail, error } = useAlert(() => props.id);
const { vehicle } = useVehicle(() => detail.value?.item.vehicle);
const { act } = useAlertActs();
const { nameOf } = usePeople();
const { mayHandleAlerts } = useSession();
const { at } = useClock();
const { trouble, isBusy, attempt } = useAttempt();

const FOUND = [
  'nail or screw',
  'valve',
  'bead',
  'rim',
  'cut or bulge',
  'brake',
  'bearing',
  'sensor',
  'nothing',
];
const DONE = [
  'repaired',
  'valve changed',
  TYRE_CHANGED,
  'set to target cold',
  'brake put right',
  'sensor changed',
  'nothing yet',
];
const DECISIONS: { value: Decision; words: string }[] = [
  { value: 'BACK', words: 'sound, back in service' },
  { value: 'REPAIRED', words: 'repaired' },
  { value: 'SCRAPPED', words: 'scrapped' },
];

const found = ref<string[]>([]);
const done = ref<string[]>([]);
const ASKED = [
  { words: 'What was found?', choices: FOUND, chosen: found },
  { words: 'What was done?', choices: DONE, chosen: done },
];
const words = ref('');
const inspectedBy = ref('');
const inside = ref('');
const decision = ref<Decision>('BACK');
const heading = useTemplateRef('heading');

const item = computed(() => detail.value?.item);
const isSoft = computed(() => Boolean(detail.value?.isRunSoft));
const report = computed(() =>
  reportOf({
    found: found.value,
    done: done.value,
    words: words.value,
    inspection: isSoft.value
      ? { by: inspectedBy.value, inside: inside.value, decision: decision.value }
      : undefined,
  }),
);
const ended = computed(() =>
  [...(detail.value?.record ?? [])].reverse().find((e) => e.change === 'JOB_ENDED'),
);

watch(
  () => props.id,
  () => (found.value = done.value = []),
);

function toggle(list: string[], one: string): string[] {
  return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
}

async function end(): Promise<void> {
  const alert = item.value;
  const now = report.value;
  if (!alert || !now) return;
  const isOver = await attempt(() =>
    now.closes
      ? act('CLOSE', [alert], { ...now.closes, verdict: 'RIGHT' })
      : act('END_JOB', [alert], { reason: now.reason, isTyreChanged: now.isTyreChanged }),
  );
  if (isOver) heading.value?.focus();
}
</script>

<template>
  <div class="w-full max-w-2xl px-5 py-4 max-sm:text-[17px]">
    <RouterLink to="/workshop" class="way">Workshop</RouterLink>
    <p v-if="error && !detail" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <template v-else-if="detail && item">
      <h1 ref="heading" tabindex="-1" class="mt-1 text-2xl leading-tight">
        <span class="figure">{{ item.vehicle }}</span>{{
          item.position ? `, ${placeWords(item.position)}` : ''
        }}
      </h1>
      <p class="mt-1 flex items-center gap-2 font-semibold" :class="urgencyText(item.urgency)">
        <UrgencyMark :urgency="item.urgency" /> {{ urgencyWords(item.urgency, detail.isParked) }}
      </p>
      <SidewaysScroll v-if="vehicle" label="The vehicle’s axles">
        <AxleStrip :vehicle="vehicle" size="page" :chosen="detail.shownPosition ?? undefined" :grow="0.8" />
      </SidewaysScroll>
      <p class="mt-1">{{ item.summary }}</p>
      <p class="mt-1 font-medium">{{ item.advice }}</p>
      <p v-if="detail.causes[0]" class="mt-2">
        Likely: {{ detail.causes[0].likely }}. <span class="text-quiet">{{ detail.causes[0].because }}</span>
      </p>
      <h2 v-if="detail.safety.length" class="mt-4 text-base">Safety first</h2>
      <SafetyNotes class="border-l-3 border-stop pl-3" :notes="detail.safety" />

      <div v-if="item.state === 'CLOSED'" role="status" class="mt-5 border-l-3 border-action pl-3">
        <p class="font-medium">The alert is closed; nothing is left to do here.</p>
        <p v-if="ended" class="mt-1">{{ ended.note }}</p>
      </div>
      <div v-else-if="!item.hasJob" role="status" class="mt-5 border-l-3 border-action pl-3">
        <template v-if="ended">
          <p class="font-medium">
            The job is ended, {{ at(ended.at) }} by {{ nameOf(ended.who ?? '') }}. The alert stays open until
            the readings prove it.
          </p>
          <p class="mt-1">{{ ended.note }}</p>
          <p class="mt-1 text-quiet">
            Several fresh readings in band settle a step; a leak takes a flat trend over twelve hours. Topping
            up is no repair.
          </p>
        </template>
        <p v-else>The Desk has not opened a job for this alert.</p>
      </div>

      <form v-else-if="mayHandleAlerts" class="mt-5 grid gap-5" @submit.prevent="end">
        <fieldset v-for="asked in ASKED" :key="asked.words">
          <legend class="font-medium">{{ asked.words }}</legend>
          <div class="mt-1.5 flex flex-wrap gap-2">
            <button
              v-for="one in asked.choices"
              :key="one"
              type="button"
              class="button min-h-11"
              :aria-pressed="asked.chosen.value.includes(one)"
              @click="asked.chosen.value = toggle(asked.chosen.value, one)"
            >
              {{ one }}
            </button>
          </div>
        </fieldset>
        <label>
          In other words
          <textarea v-model="words" class="field mt-1" rows="2" maxlength="500"></textarea>
        </label>
        <fieldset v-if="isSoft" class="grid gap-3 border-l-3 border-stop pl-3">
          <legend class="font-medium">Inspection off the vehicle</legend>
          <p>
            {{ $t('workshop.inspectSoft') }}
          </p>
          <label>
            Inspected by
            <input v-model="inspectedBy" class="field mt-1" maxlength="120" autocomplete="off" />
          </label>
          <label>
            What was found inside
            <textarea v-model="inside" class="field mt-1" rows="2" maxlength="300"></textarea>
          </label>
          <ChoiceRow v-model="decision" label="The tyre is" :choices="DECISIONS" />
        </fieldset>
        <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
        <div>
          <button type="submit" class="button button-main min-h-13 w-full" :disabled="!report || isBusy">
            End the job
          </button>
          <p v-if="!report" class="mt-1 text-quiet">
            {{
              isSoft
                ? 'Say what was found and done, who inspected the tyre and what it looks like inside.'
                : 'Say what was found and what was done.'
            }}
          </p>
        </div>
      </form>
      <p class="mt-5">
        <RouterLink :to="{ name: 'desk', params: { id: item.id } }" class="way"
          >The alert with its readings</RouterLink
        >
      </p>
    </template>
    <p v-else class="mt-3 text-quiet">Fetching …</p>
  </div>
</template>
