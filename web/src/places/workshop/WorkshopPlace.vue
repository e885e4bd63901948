<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useAlerts, useVehicles } from '@/api/fleet';
import { useJobActions, useJobs, type JobLine, type JobRequest } from '@/api/jobs';
import type { AlertItem } from '@/api/live';
import { loadOutbox, useOutbox } from '@/api/outbox';
import { useRounds } from '@/api/rounds';
import { useSession } from '@/api/session';
import { MOUNT_CHOICES, mountWords, stateWords } from '@/shared/position';
import PlainHttpNote from '@/shared/PlainHttpNote.vue';
import { useClock } from '@/shared/time';
import { kindWords, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { inOrder } from '../desk/queue';
import { WALK_CHOICES, walkWords } from './job';
import RoundForm from './round/RoundForm.vue';
import { useAttempt } from '@/shared/useAttempt';
import { usePeople } from '@/api/people';

/** What is to be done at vehicles. */
const { nameOf } = usePeople();
const { data: jobs, isPending, error } = useJobs();
const { data: vehicles } = useVehicles();
const { data: rounds } = useRounds();
const { data: alerts } = useAlerts();
const { mayHandleAlerts, isManager } = useSession();
const { open } = useJobActions();
const { others } = useOutbox();
onMounted(loadOutbox);
const { at } = useClock();
const router = useRouter();

const vehicleRef = ref('');
// Chosen once: the same people walk the same way with the same sensors.
const mount = useLocalStorage<NonNullable<JobRequest['mount']>>('mount', 'STRAP');
const walk = useLocalStorage<NonNullable<JobRequest['walk']>>('walk', 'DOWN_LEFT_UP_RIGHT');
const { trouble, attempt } = useAttempt();

const openJobs = computed(() => jobs.value?.filter((job) => job.state === 'OPEN') ?? []);
const ended = computed(() => jobs.value?.filter((job) => job.state !== 'OPEN') ?? []);
/** Vehicles that wait to be fitted come first, then those with bare wheels. */
const choices = computed(() => {
  const busy = new Set(openJobs.value.map((job) => job.vehicle));
  const free = vehicles.value?.items.filter((vehicle) => !busy.has(vehicle.ref)) ?? [];
  const isBare = (vehicle: (typeof free)[number]) => vehicle.wheels.some((wheel) => !wheel.sensor);
  return [
    ...free.filter((vehicle) => vehicle.state === 'DESCRIBED'),
    ...free.filter((vehicle) => vehicle.state !== 'DESCRIBED' && isBare(vehicle)),
    ...free.filter((vehicle) => vehicle.state !== 'DESCRIBED' && !isBare(vehicle)),
  ];
});
const openRounds = computed(() => rounds.value?.filter((round) => round.state === 'OPEN') ?? []);
const endedRounds = computed(() => rounds.value?.filter((round) => round.state !== 'OPEN') ?? []);
/** Described, and nobody has begun. */
const waiting = computed(() => choices.value.filter((vehicle) => vehicle.state === 'DESCRIBED'));
/** What the Desk raised a job for. */
const repairs = computed(() => inOrder(alerts.value ?? []).filter((alert) => alert.hasJob));
/** What the Desk wants looked at before a vehicle goes on, vehicle by vehicle. */
const wanting = computed(() => {
  const byVehicle = new Map<string, AlertItem[]>();
  for (const alert of inOrder(alerts.value ?? [])) {
    if (alert.vehicle && alert.urgency !== 'PLAN' && alert.kind !== 'RECEIVER_SILENT' && !alert.hasJob)
      byVehicle.set(alert.vehicle, [...(byVehicle.get(alert.vehicle) ?? []), alert]);
  }
  return [...byVehicle].map(([vehicle, wanted]) => ({ vehicle, alerts: wanted }));
});
const wantedWords = (wanted: AlertItem[]) =>
  wanted.map((alert) => `${alert.position ?? ''} ${kindWords(alert.kind)}`.trim()).join(', ');
const chosen = computed(() => vehicleRef.value || choices.value[0]?.ref || '');

const progress = (job: JobLine) =>
  `${job.paired} of ${job.wheels} paired, ${job.proved} proved or answered for`;

const roundWords = (round: NonNullable<typeof rounds.value>[number]) =>
  round.state === 'OPEN'
    ? `round with ${round.unsettled} ${round.unsettled === 1 ? 'wheel' : 'wheels'} left`
    : round.state === 'DONE'
      ? 'sheet of a round'
      : 'round given up';

const fitting = useTemplateRef('fitting');
/** Puts a vehicle into the form, ready to be begun. */
async function choose(ref: string): Promise<void> {
  vehicleRef.value = ref;
  await nextTick();
  fitting.value?.scrollIntoView({ block: 'nearest' });
  fitting.value?.querySelector<HTMLElement>('select')?.focus();
}

const begin = () =>
  attempt(async () => {
    const job = await open({ vehicle: chosen.value, mount: mount.value, walk: walk.value });
    await router.push({ name: 'job', params: { id: job.id } });
  });
</script>

<template>
  <div class="max-w-5xl px-5 py-4 min-[1500px]:max-w-[110rem]">
    <h1 class="text-xl">Workshop</h1>
    <PlainHttpNote />
    <p v-if="others" class="mt-2 text-quiet">
      On this device {{ others === 1 ? 'one entry waits' : `${others} entries wait` }} for whoever made
      {{ others === 1 ? 'it' : 'them' }}: sent when they sign in here, in their name.
    </p>
    <p v-if="error && !jobs" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="isPending" class="mt-3 text-quiet">Fetching the jobs …</p>
    <div
      v-else
      class="min-[1500px]:grid min-[1500px]:grid-cols-[minmax(0,1fr)_44rem] min-[1500px]:items-start min-[1500px]:gap-14"
    >
      <div>
        <section class="mt-4" aria-labelledby="to-do">
          <h2 id="to-do" class="text-base">To be done</h2>
          <p
            v-if="
              !openJobs.length && !openRounds.length && !repairs.length && !waiting.length && !wanting.length
            "
            class="text-quiet"
          >
            Nothing waits here. No vehicle is being fitted, no round is open, and the Desk asks for nothing.
          </p>
          <ul v-else class="mt-1 border-t border-rule">
            <li v-for="job in openJobs" :key="job.id" class="border-b border-rule">
              <RouterLink :to="{ name: 'job', params: { id: job.id } }" class="task">
                <span class="task-thing">{{ job.vehicle }}</span>
                <span class="sm:w-96">fit-out: {{ progress(job) }}</span>
                <span class="text-quiet"
                  >{{ job.mount ? mountWords(job.mount) : '' }}, since {{ at(new Date(job.openedAt)) }},
                  {{ nameOf(job.openedBy) }}</span
                >
              </RouterLink>
            </li>
            <li v-for="round in openRounds" :key="round.id" class="border-b border-rule">
              <RouterLink :to="{ name: 'round', params: { id: round.id } }" class="task">
                <span class="task-thing">{{ round.vehicles.join(', ') }}</span>
                <span class="sm:w-96">{{ roundWords(round) }}</span>
                <span class="text-quiet"
                  >since {{ at(new Date(round.openedAt)) }}, {{ nameOf(round.openedBy) }}</span
                >
              </RouterLink>
            </li>
            <li v-for="alert in repairs" :key="alert.id" class="border-b border-rule">
              <RouterLink :to="{ name: 'repair', params: { id: alert.id } }" class="task">
                <span class="task-thing">{{ alert.vehicle }}</span>
                <span class="sm:w-96">repair: {{ wantedWords([alert]) }}</span>
                <span class="flex items-center gap-1.5"
                  ><UrgencyMark :urgency="alert.urgency" /> {{ urgencyWords(alert.urgency)
                  }}<template v-if="alert.assignee">, {{ nameOf(alert.assignee) }}</template></span
                >
              </RouterLink>
            </li>
            <li v-for="{ vehicle, alerts: wanted } in wanting" :key="vehicle" class="border-b border-rule">
              <RouterLink :to="{ name: 'desk', params: { id: wanted[0]?.id } }" class="task">
                <span class="task-thing">{{ vehicle }}</span>
                <span class="sm:w-96">{{ wantedWords(wanted) }}</span>
                <span v-if="wanted[0]" class="flex items-center gap-1.5"
                  ><UrgencyMark :urgency="wanted[0].urgency" />
                  {{ urgencyWords(wanted[0].urgency).toLowerCase() }}</span
                >
              </RouterLink>
            </li>
            <li v-for="vehicle in waiting" :key="vehicle.ref" class="border-b border-rule">
              <button type="button" class="task w-full cursor-pointer text-left" @click="choose(vehicle.ref)">
                <span class="task-thing">{{ vehicle.ref }}</span>
                <span>waits to be fitted</span>
              </button>
            </li>
          </ul>
        </section>

        <p class="mt-2">
          <RouterLink class="way mr-5" :to="{ name: 'due-work' }">What comes due later</RouterLink>
          <RouterLink class="way" :to="{ name: 'cold' }">Before the cold: what will stand low</RouterLink>
        </p>
      </div>

      <div>
        <form v-if="mayHandleAlerts" ref="fitting" class="mt-6 min-[1500px]:mt-4" @submit.prevent="begin">
          <h2 class="text-base">Fit another vehicle</h2>
          <p v-if="isManager" class="text-quiet">
            A vehicle that is not in the list is
            <RouterLink :to="{ name: 'describe' }">described</RouterLink> first.
          </p>
          <div class="mt-2 flex flex-wrap items-end gap-3">
            <label class="block"
              >Vehicle
              <select
                class="field mt-0.5 block w-56"
                :value="chosen"
                @change="vehicleRef = ($event.target as HTMLSelectElement).value"
              >
                <option v-for="vehicle in choices" :key="vehicle.ref" :value="vehicle.ref">
                  {{ vehicle.ref }}, {{ stateWords(vehicle.state) }}
                </option>
              </select>
            </label>
            <label class="block"
              >Sensors held
              <select v-model="mount" class="field mt-0.5 block w-52">
                <option v-for="one in MOUNT_CHOICES" :key="one" :value="one">{{ mountWords(one) }}</option>
              </select>
            </label>
            <label class="block"
              >Walk
              <select v-model="walk" class="field mt-0.5 block w-64">
                <option v-for="one in WALK_CHOICES" :key="one" :value="one">{{ walkWords(one) }}</option>
              </select>
            </label>
            <button type="submit" class="button button-main" :disabled="!chosen">Open the job</button>
          </div>
          <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
        </form>

        <section class="mt-7 border-t border-rule pt-4" aria-labelledby="wheel-moves">
          <h2 id="wheel-moves" class="text-base">Wheels change places</h2>
          <p class="text-quiet">Rotations, tyre changes, to and from the store, across vehicles.</p>
          <RouterLink
            class="button mt-2 inline-flex min-h-11 items-center no-underline"
            :to="{ name: 'moves' }"
            >Move wheels</RouterLink
          >
        </section>

        <RoundForm v-if="mayHandleAlerts" class="mt-7 border-t border-rule pt-4" />
        <section v-if="ended.length || endedRounds.length" class="mt-6">
          <h2 class="text-base">Ended</h2>
          <ul class="mt-1 border-t border-rule">
            <li
              v-for="round in endedRounds"
              :key="round.id"
              class="flex flex-wrap gap-x-5 border-b border-rule py-1.5"
            >
              <span class="figure">{{ round.vehicles.join(', ') }}</span>
              <RouterLink :to="{ name: 'round', params: { id: round.id } }">{{
                roundWords(round)
              }}</RouterLink>
              <span class="text-quiet">{{ at(new Date(round.openedAt)) }}, {{ nameOf(round.openedBy) }}</span>
            </li>
            <li v-for="job in ended" :key="job.id" class="flex flex-wrap gap-x-5 border-b border-rule py-1.5">
              <span class="figure w-24">{{ job.vehicle }}</span>
              <RouterLink :to="{ name: 'job-record', params: { id: job.id } }">
                {{ job.state === 'DONE' ? 'record of the fit-out' : 'dropped' }}
              </RouterLink>
              <span v-if="job.closedAt" class="text-quiet">{{ at(new Date(job.closedAt)) }}</span>
            </li>
          </ul>
        </section>
      </div>
    </div>
  </div>
</template>
