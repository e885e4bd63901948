<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useDemo, type IncidentKind } from '@/api/demo';
import { useVehicle, useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import AxleStrip from '@/shared/AxleStrip.vue';
import { useClock } from '@/shared/time';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';
import DemoTexts from './DemoTexts.vue';

/** Lets something happen in the demo, to see what the product makes of it. */
const { demo, plant, end } = useDemo();
const { data: vehicles } = useVehicles();
const { mayHandleAlerts } = useSession();
const { age, now } = useClock();

const KINDS: { kind: IncidentKind; words: string; what: string; isOfWheel: boolean; isOfPast?: boolean }[] = [
  {
    kind: 'LEAK',
    words: 'Plant a leak',
    what: 'An eighth of the air goes out every minute. Within a minute the Desk says stop now.',
    isOfWheel: true,
  },
  {
    kind: 'BRAKE',
    words: 'Plant a dragging brake',
    what: 'The wheel end heats up, much faster than a real one so that you need not wait.',
    isOfWheel: true,
  },
  {
    kind: 'AIR_LINE',
    words: 'Send the vehicle to the air line',
    what: 'It stands, and every wheel is set to its target. Look for the step in a wheel’s chart.',
    isOfWheel: false,
  },
  {
    kind: 'DEAD_RECEIVER',
    words: 'Let the receiver die',
    what: 'The vehicle goes on, and nothing more is heard of it. Within three minutes the Desk says so.',
    isOfWheel: false,
  },
  {
    kind: 'SLOW_LEAK',
    words: 'Plant a slow leak',
    what: 'It was on the road out of coverage for six hours; what it measured there comes at once.',
    isOfWheel: true,
    isOfPast: true,
  },
  {
    kind: 'MASKED_LEAK',
    words: 'Plant a leak hidden by heat',
    what: 'The same, with a wheel end that warms up and holds the gauge where it was.',
    isOfWheel: true,
    isOfPast: true,
  },
  {
    kind: 'COLD_MORNING',
    words: 'Send a frosty night',
    what: 'It stood through hard frost and begins to roll. All gauges are low, and nothing leaks.',
    isOfWheel: false,
    isOfPast: true,
  },
];
const kind = ref<IncidentKind>('LEAK');
const vehicleRef = ref('GX-04');
const position = ref<string>();
const { trouble, isBusy, attempt } = useAttempt();
const { vehicle } = useVehicle(vehicleRef);
const chosen = computed(() => KINDS.find((one) => one.kind === kind.value));
const PAST_MILLIS = 6 * 3_600_000;
/** What tells of the last hours can only come of a vehicle that was not heard in them. */
const choices = computed(() => {
  const all = vehicles.value?.items ?? [];
  const asleep = (heardAt: string | null | undefined) =>
    heardAt && now.value.getTime() - new Date(heardAt).getTime() > PAST_MILLIS;
  return (chosen.value?.isOfPast ? all.filter((own) => asleep(own.lastHeardAt)) : all)
    .map((own) => own.ref)
    .sort();
});
watch(choices, (refs) => {
  if (!refs.includes(vehicleRef.value)) vehicleRef.value = refs[0] ?? '';
});
watch(vehicleRef, () => (position.value = undefined));
const place = computed(
  () =>
    position.value ??
    vehicle.value?.wheels.find((wheel) => wheel.sensor && !wheel.position.startsWith('S'))?.position ??
    null,
);

const words = (own: IncidentKind) => KINDS.find((one) => one.kind === own)?.words ?? own;
</script>

<template>
  <div class="w-full max-w-4xl px-6 py-5">
    <h1 class="text-2xl">Demo</h1>
    <p v-if="demo && !demo.isDemo" class="mt-3">
      This is no demo: its readings are real, and nothing can be planted in them.
    </p>
    <template v-else-if="demo">
      <p class="mt-1 max-w-2xl text-quiet">
        The Larkmoor Valley Transport Co-operative is invented, and so is its weather. Let something happen,
        then look at the <RouterLink to="/desk">Desk</RouterLink>.
      </p>
      <p v-if="demo.progress < 1" role="status" class="mt-3 font-medium">
        Its past is being put in place:
        <span class="figure">{{ Math.round(demo.progress * 100) }}&nbsp;%</span>.
      </p>
      <form
        v-if="mayHandleAlerts"
        class="mt-4 grid gap-4 border-t border-rule pt-4"
        @submit.prevent="attempt(() => plant(kind, vehicleRef, chosen?.isOfWheel ? place : null))"
      >
        <fieldset class="grid gap-2 sm:grid-cols-2">
          <legend class="mb-1 font-semibold">What is to happen?</legend>
          <label v-for="one in KINDS" :key="one.kind" class="flex gap-2">
            <input v-model="kind" type="radio" name="kind" :value="one.kind" class="mt-1 size-4 shrink-0" />
            <span
              ><span class="font-medium">{{ one.words }}</span>
              <span class="block text-quiet">{{ one.what }}</span></span
            >
          </label>
        </fieldset>
        <label class="max-w-xs">
          To which vehicle?
          <select v-model="vehicleRef" class="field mt-1">
            <option v-for="own in choices" :key="own">{{ own }}</option>
          </select>
          <span v-if="chosen?.isOfPast" class="mt-1 block text-quiet">{{
            choices.length
              ? 'Those that were not heard within six hours.'
              : 'Every vehicle was heard within six hours. Come back in the evening, or choose something else.'
          }}</span>
        </label>
        <div v-if="vehicle && chosen?.isOfWheel">
          <p>
            To which wheel? <span class="figure font-medium">{{ place }}</span>
          </p>
          <SidewaysScroll label="The vehicle’s axles">
            <AxleStrip
              :vehicle="vehicle"
              size="page"
              is-interactive
              :chosen="place ?? undefined"
              @choose="position = $event"
            />
          </SidewaysScroll>
        </div>
        <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
        <div>
          <button
            type="submit"
            class="button button-main"
            :disabled="isBusy || demo.progress < 1 || !vehicleRef || (chosen?.isOfWheel && !place)"
          >
            {{ chosen?.words }}
          </button>
        </div>
      </form>
      <p v-else class="mt-4 text-quiet">Sign in as manager or technician to let something happen.</p>

      <section class="mt-6 border-t border-rule pt-4">
        <h2 class="text-base">What was planted</h2>
        <p v-if="!demo.incidents.length" class="mt-1 text-quiet">Nothing yet.</p>
        <ul v-else class="mt-1">
          <li
            v-for="incident in demo.incidents"
            :key="incident.number"
            class="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5"
          >
            <span class="figure w-28">{{ incident.vehicle }} {{ incident.position }}</span>
            <span class="grow">{{ words(incident.kind) }}, {{ age(incident.at) }} ago</span>
            <template v-if="incident.isRunning && new Date(incident.endsAt) > now">
              <RouterLink :to="{ name: 'vehicle', params: { vehicleRef: incident.vehicle } }"
                >see the vehicle</RouterLink
              >
              <button
                v-if="mayHandleAlerts"
                type="button"
                class="button"
                @click="attempt(() => end(incident.number))"
              >
                Put it right
              </button>
            </template>
            <span v-else class="text-quiet">put right</span>
          </li>
        </ul>
      </section>
      <DemoTexts v-if="mayHandleAlerts" />
    </template>
  </div>
</template>
