<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useAlert, useAlertActions, useAlerts, useVehicle, useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import AlertPane from './AlertPane.vue';
import AlertQueue from './AlertQueue.vue';
import CloseDialog from './CloseDialog.vue';
import DriverNow from './DriverNow.vue';
import FirstSteps from './FirstSteps.vue';
import QueueFilters from './QueueFilters.vue';
import ShelveDialog from './ShelveDialog.vue';
import { isBeginning } from './firstSteps';
import { inOrder, NO_FILTER, passes } from './queue';
import { onKey, useKeys } from '@/shared/keys';
import { useAttempt } from '@/shared/useAttempt';

/** What needs me now, and what do I say? */
const props = defineProps<{ id?: string }>();

const router = useRouter();
const { isDriver, mayHandleAlerts } = useSession();
const { data: alerts, isPending, error } = useAlerts();
const { data: vehicles } = useVehicles();
const actions = useAlertActions();

const filter = ref({ ...NO_FILTER });
const depotOf = computed(() => new Map(vehicles.value?.items.map((vehicle) => [vehicle.ref, vehicle.depot])));
const depots = computed(() =>
  [...new Set(depotOf.value.values())].filter((depot) => typeof depot === 'string').sort(),
);
/** Until the first vehicle is in service the Desk leads there. */
const isLeading = computed(
  () => !props.id && !isDriver.value && !alerts.value?.length && isBeginning(vehicles.value?.items ?? []),
);
const everything = computed(() => inOrder(alerts.value ?? []));
const queue = computed(() =>
  everything.value.filter((alert) => passes(alert, filter.value, depotOf.value.get(alert.vehicle ?? ''))),
);
/** Without a choice the most urgent is shown, and stays while others come and go above it. */
const shownId = ref<string>();
watch(
  [() => props.id, queue],
  () => {
    const isShownOpen = queue.value.some((alert) => alert.id === shownId.value);
    shownId.value = props.id || (isShownOpen ? shownId.value : queue.value[0]?.id);
  },
  { immediate: true },
);
const { data: detail, error: detailError } = useAlert(shownId);
const { vehicle } = useVehicle(() => detail.value?.item.vehicle);
const isFirstParked = computed(() =>
  Boolean(detail.value?.isParked && detail.value.item.id === everything.value[0]?.id),
);
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

const isClosing = ref(false);
const isShelving = ref(false);
const { trouble, attempt: attemptIt } = useAttempt();
watch(shownId, () => (trouble.value = ''));

/** A dialog gives the focus back; where the row it came from has left the queue, it would land in some field. */
watch([isClosing, isShelving], (areOpen) => {
  if (areOpen.some(Boolean)) return;
  setTimeout(() => {
    const isAtHome = document.activeElement?.matches('button, [data-alert]');
    if (!isAtHome) pane.value?.focusHeading();
  });
});

async function attempt(work: () => Promise<void>): Promise<void> {
  if (mayHandleAlerts.value) await attemptIt(work);
}

const isFresh = computed(() => ['NEW', 'ACKNOWLEDGED'].includes(detail.value?.item.state ?? ''));

async function acknowledge(): Promise<void> {
  const { item } = detail.value ?? {};
  if (item?.state === 'NEW') await attempt(() => actions.acknowledge(item.id));
}

async function takeInHand(): Promise<void> {
  const { item } = detail.value ?? {};
  if (item && isFresh.value) await attempt(() => actions.takeInHand(item.id, ''));
}

function shelve(): void {
  const { item } = detail.value ?? {};
  isShelving.value =
    mayHandleAlerts.value && isFresh.value && item?.urgency !== 'STOP_NOW' && !detail.value?.isRunSoft;
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
onKey('a', () => void acknowledge());
onKey('t', () => void takeInHand());
onKey('h', shelve);
onKey('n', () => pane.value?.focusNote());
onKey('f', () => filters.value?.focus());
onKey('c', () => (isClosing.value = Boolean(detail.value && mayHandleAlerts.value)));
useKeys('The Desk', [
  ['↑ ↓', 'the alert above or below'],
  ['A', 'acknowledge: I have seen it'],
  ['T', 'take in hand: I deal with it'],
  ['H', 'put aside for a while, with a reason'],
  ['N', 'write a note'],
  ['C', 'close, with a reason'],
  ['F', 'narrow the queue'],
]);
</script>

<template>
  <h1 class="spoken">Desk</h1>
  <p v-if="error" role="alert" class="p-8 text-next">{{ error.message }}</p>
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
    <p v-else-if="isDriver" class="mt-2 text-quiet">
      No vehicle is assigned to you yet. Ask a manager to let you see the ones you drive.
    </p>
  </div>

  <div v-else class="grid min-h-0 grow lg:grid-cols-[370px_1fr]">
    <nav
      aria-label="What is open"
      class="border-rule lg:sticky lg:top-0 lg:max-h-screen lg:overflow-y-auto lg:border-r"
      :class="{ 'hidden lg:block': id }"
    >
      <DriverNow v-if="isDriver" class="lg:hidden" :alert="everything[0]" :is-parked="isFirstParked" />
      <QueueFilters
        v-else
        ref="filters"
        v-model="filter"
        :depots="depots"
        :hidden="everything.length - queue.length"
      />
      <AlertQueue :alerts="queue" :chosen="shownId" :depot-of="(ref) => depotOf.get(ref)" />
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
        :trouble="trouble"
        @acknowledge="acknowledge"
        @take-in-hand="takeInHand"
        @shelve="shelve"
        @close="isClosing = true"
      />
    </div>
  </div>

  <CloseDialog v-if="detail" :is-open="isClosing" :detail="detail" @done="isClosing = false" />
  <ShelveDialog v-if="detail" :is-open="isShelving" :detail="detail" @done="isShelving = false" />
</template>
