<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { lastAct, type Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { useAlert, useAlerts, useVehicle, useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import DriverPlace from '../driver/DriverPlace.vue';
import AlertPane from './AlertPane.vue';
import AlertQueue from './AlertQueue.vue';
import ChosenBar from './ChosenBar.vue';
import CloseDialog from './CloseDialog.vue';
import CorrectDialog from './CorrectDialog.vue';
import FirstSteps from './FirstSteps.vue';
import GiveDialog from './GiveDialog.vue';
import InstructDialog from './InstructDialog.vue';
import QueueFilters from './QueueFilters.vue';
import ReopenDialog from './ReopenDialog.vue';
import ShelveDialog from './ShelveDialog.vue';
import TakeBackNote from './TakeBackNote.vue';
import { isBeginning } from './firstSteps';
import { byCause, callsLately, inOrder, isFlood, NO_FILTER, passes } from './queue';
import { useDeskActs } from './useDeskActs';
import { useClock } from '@/shared/time';
import { onKey, useKeys } from '@/shared/keys';

/** What needs me now, and what do I say? */
const props = defineProps<{ id?: string }>();

const router = useRouter();
const { isDriver, mayHandleAlerts } = useSession();
const { data: alerts, isPending, error } = useAlerts();
const { data: vehicles } = useVehicles();

const filter = ref({ ...NO_FILTER });
const depotOf = computed(() => new Map(vehicles.value?.items.map((vehicle) => [vehicle.ref, vehicle.depot])));
const depots = computed(() =>
  [...new Set(depotOf.value.values())].filter((depot) => typeof depot === 'string').sort(),
);
/** Until the first vehicle is in service the Desk leads there. */
const isLeading = computed(
  () => !props.id && !alerts.value?.length && isBeginning(vehicles.value?.items ?? []),
);
const everything = computed(() => inOrder(alerts.value ?? []));
const { now } = useClock();
const lately = computed(() => callsLately(everything.value, now.value));
const isInFlood = ref(false);
watch(lately, (calls) => (isInFlood.value = isFlood(calls, isInFlood.value)), { immediate: true });
const passing = computed(() =>
  everything.value.filter((alert) => passes(alert, filter.value, depotOf.value.get(alert.vehicle ?? ''))),
);
const folded = computed(() => byCause(passing.value));
const queue = computed(() => folded.value.alerts);
/** Without a choice the most urgent is shown, and stays while others come and go above it. */
const shownId = ref<string>();
watch(
  [() => props.id, passing],
  () => {
    const isShownOpen = passing.value.some((alert) => alert.id === shownId.value);
    shownId.value = props.id || (isShownOpen ? shownId.value : queue.value[0]?.id);
  },
  { immediate: true },
);
const { data: detail, error: detailError } = useAlert(shownId);
const { vehicle } = useVehicle(() => detail.value?.item.vehicle);
const pane = useTemplateRef('pane');
const filters = useTemplateRef('filters');

const isWide = useMediaQuery('(min-width: 64rem)');
/** On a narrow screen the list gives way to the alert: then that is read. */
watch(
  () => [props.id, detail.value?.item.id],
  async ([wanted, here]) => {
    await nextTick();
    if (wanted && wanted === here && !isWide.value) pane.value?.focusHeading();
  },
);

const checked = ref(new Set<string>());
/** What left the queue is chosen no more. */
const chosen = computed(() => queue.value.filter((alert) => checked.value.has(alert.id)));
const withBehind = (alerts: AlertItem[]) =>
  alerts.flatMap((alert) => [alert, ...(folded.value.behind.get(alert.id) ?? [])]);
const shown = computed(() => (detail.value ? [detail.value.item] : []));
/** What an act is meant for: what is chosen, otherwise what is shown. */
const meant = computed(() => withBehind(chosen.value.length ? chosen.value : shown.value));
const { asking, asked, trouble, isBusy, begin, go, takeBack } = useDeskActs(
  () => meant.value,
  () => mayHandleAlerts.value,
);
const isInstructing = ref(false);
const isAlone = computed(() => asked.value.length === 1 && asked.value[0]?.id === detail.value?.item.id);

/** From the alert's own buttons it is for that alert, whatever is chosen in the queue. */
function act(what: Act): Promise<void> {
  return begin(what, () => withBehind(shown.value));
}

async function step(by: number): Promise<void> {
  const at = queue.value.findIndex((alert) => alert.id === shownId.value);
  const next = queue.value[Math.max(0, Math.min(queue.value.length - 1, at + by))];
  if (!next) return;
  await router.replace({ name: 'desk', params: { id: next.id } });
  await nextTick();
  document.querySelector<HTMLElement>(`[data-alert="${next.id}"]`)?.focus();
}

onKey('ArrowDown', () => void step(1));
onKey('ArrowUp', () => void step(-1));
const list = useTemplateRef('list');
onKey('a', () => void begin('ACKNOWLEDGE'));
onKey('t', () => void begin('TAKE_IN_HAND'));
onKey('g', () => void begin('ASSIGN'));
onKey('i', () => {
  if (mayHandleAlerts.value && detail.value && detail.value.item.state !== 'CLOSED')
    isInstructing.value = true;
});
onKey('j', () => void begin('RAISE_JOB'));
onKey('h', () => void begin('SHELVE'));
onKey('m', () => void begin('COUNT_WITH'));
onKey('s', () => void begin('STAND_ALONE'));
onKey('o', () => void begin('REOPEN'));
onKey('x', () => {
  if (mayHandleAlerts.value && shownId.value) list.value?.choose(shownId.value, false);
});
onKey('u', () => {
  if (lastAct.value) void takeBack(lastAct.value.alerts);
});
onKey('n', () => pane.value?.focusNote());
onKey('f', () => filters.value?.focus());
onKey('c', () => void begin('CLOSE'));
useKeys('The Desk', [
  ['↑ ↓', 'the alert above or below'],
  ['A', 'acknowledge: I have seen it'],
  ['T', 'take in hand: I deal with it'],
  ['I', 'instruct the driver'],
  ['G', 'give to somebody'],
  ['J', 'raise a job for the workshop'],
  ['H', 'put aside for a while, with a reason'],
  ['X', 'choose it with others; then a key is for all of them'],
  ['M', 'count those chosen as one cause'],
  ['S', 'let it stand alone again'],
  ['U', 'take back what was done last'],
  ['O', 'open again what is closed'],
  ['N', 'write a note'],
  ['C', 'close, with a reason'],
  ['F', 'narrow the queue'],
]);
</script>

<template>
  <h1 v-if="!isDriver || id" class="spoken">Desk</h1>
  <DriverPlace v-if="isDriver && !id" />
  <p v-else-if="error" role="alert" class="p-8 text-next">{{ error.message }}</p>
  <p v-else-if="isPending" class="p-8 text-quiet">Fetching what is open …</p>

  <div v-else-if="isLeading && vehicles" class="mx-auto w-full max-w-3xl px-5 py-8">
    <FirstSteps :vehicles="vehicles.items" />
  </div>

  <div v-else-if="!everything.length && !id" class="m-auto max-w-md p-8">
    <h2 class="text-xl">Nothing needs you now.</h2>
    <template v-if="vehicles?.items.length">
      <p class="mt-2 text-quiet">
        Every wheel that reports is inside its limits. What happens next appears here by itself.
      </p>
      <p class="mt-3"><RouterLink to="/vehicles">See how every vehicle is</RouterLink></p>
    </template>
  </div>

  <div v-else class="grid min-h-0 grow" :class="{ 'lg:grid-cols-[380px_1fr]': !isDriver }">
    <nav
      v-if="!isDriver"
      aria-label="What is open"
      class="border-rule lg:sticky lg:top-0 lg:max-h-[calc(100vh-45px)] lg:overflow-y-auto lg:border-r"
      :class="{ 'hidden lg:block': id }"
    >
      <QueueFilters
        ref="filters"
        v-model="filter"
        :depots="depots"
        :hidden="everything.length - passing.length"
      />
      <p v-if="isInFlood" role="status" class="border-b border-rule px-5 py-2.5">
        <span class="font-semibold">Many at once:</span> <span class="figure">{{ lately }}</span> in ten
        minutes. What is alike stands together; <em>Stop now</em> stands by itself, and nothing is hidden.
      </p>
      <AlertQueue
        ref="list"
        v-model:checked="checked"
        :alerts="queue"
        :behind="folded.behind"
        :chosen="shownId"
        :may-choose="mayHandleAlerts"
        :is-in-flood="isInFlood"
        :depot-of="(ref) => depotOf.get(ref)"
      />
      <ChosenBar
        v-if="chosen.length"
        :alerts="withBehind(chosen)"
        :trouble="asking ? '' : trouble"
        @act="begin($event)"
        @none="checked = new Set()"
      />
      <p v-if="!queue.length" class="p-5 text-quiet">
        {{ everything.length ? 'Nothing here fits what you chose.' : 'Nothing is open.' }}
        <button v-if="everything.length" type="button" class="link" @click="filter = { ...NO_FILTER }">
          Show all that is open
        </button>
      </p>
    </nav>
    <div class="min-w-0" :class="{ 'hidden lg:block': !id }">
      <RouterLink to="/desk" class="block px-5 py-3 lg:hidden">All that is open</RouterLink>
      <p v-if="detailError" role="alert" class="p-6 text-next">{{ detailError.message }}</p>
      <AlertPane
        v-if="detail"
        :key="detail.item.id"
        :detail="detail"
        ref="pane"
        :vehicle="vehicle"
        :may-handle="mayHandleAlerts"
        :may-note="mayHandleAlerts || isDriver"
        :behind="folded.behind.get(detail.item.id) ?? []"
        :has-keys="!chosen.length"
        :trouble="chosen.length || asking ? '' : trouble"
        @act="act"
        @take-back="takeBack([detail.item])"
        @instruct="isInstructing = true"
      />
    </div>
  </div>

  <CloseDialog
    :is-open="asking === 'CLOSE'"
    :count="asked.length"
    :is-run-soft="isAlone && Boolean(detail?.isRunSoft)"
    :has-to-be-inspected="isAlone && Boolean(detail?.hasToBeInspected)"
    :trouble="trouble"
    :is-busy="isBusy"
    @go="go"
    @done="asking = undefined"
  />
  <ShelveDialog
    :is-open="asking === 'SHELVE'"
    :count="asked.length"
    :trouble="trouble"
    :is-busy="isBusy"
    @go="go"
    @done="asking = undefined"
  />
  <GiveDialog
    :is-open="asking === 'ASSIGN'"
    :count="asked.length"
    :assignee="isAlone ? detail?.item.assignee : null"
    :trouble="trouble"
    :is-busy="isBusy"
    @go="go"
    @done="asking = undefined"
  />
  <CorrectDialog
    :is-open="asking === 'CORRECT'"
    :position="asked[0]?.position ?? null"
    :wheels="vehicle?.wheels.map((wheel) => wheel.position) ?? []"
    :trouble="trouble"
    :is-busy="isBusy"
    @go="go"
    @done="asking = undefined"
  />
  <ReopenDialog
    :is-open="asking === 'REOPEN'"
    :trouble="trouble"
    :is-busy="isBusy"
    @go="go"
    @done="asking = undefined"
  />
  <InstructDialog v-if="detail" :is-open="isInstructing" :alert="detail.item" @done="isInstructing = false" />
  <TakeBackNote v-if="mayHandleAlerts" @take-back="takeBack" />
</template>
