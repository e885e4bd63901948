<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useAlert, useAlertActions, useAlerts, useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import AlertPane from './AlertPane.vue';
import AlertQueue from './AlertQueue.vue';
import CloseDialog from './CloseDialog.vue';
import KeysDialog from './KeysDialog.vue';
import { inOrder } from './queue';

/** What needs me now, and what do I say? */
const props = defineProps<{ id?: string }>();

const router = useRouter();
const { isManager, mayHandleAlerts } = useSession();
const { data: alerts, isPending, error } = useAlerts();
const { data: vehicles } = useVehicles();
const actions = useAlertActions();

const queue = computed(() => inOrder(alerts.value ?? []));
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

const isClosing = ref(false);
const isShowingKeys = ref(false);
const trouble = ref('');
watch(shownId, () => (trouble.value = ''));

async function acknowledge(): Promise<void> {
  if (!detail.value || detail.value.item.state !== 'NEW' || !mayHandleAlerts.value) return;
  try {
    trouble.value = '';
    await actions.acknowledge(detail.value.item.id);
  } catch (e) {
    trouble.value = (e as Error).message;
  }
}

async function step(by: number): Promise<void> {
  const at = queue.value.findIndex((alert) => alert.id === shownId.value);
  const next = queue.value[Math.max(0, Math.min(queue.value.length - 1, at + by))];
  if (!next) return;
  await router.replace({ name: 'desk', params: { id: next.id } });
  await nextTick();
  document.querySelector<HTMLElement>(`[data-alert="${next.id}"]`)?.focus();
}

function onKey(key: string, act: () => void): void {
  onKeyStroke(key, (event) => {
    const target = event.target as HTMLElement;
    const isTyping =
      target.matches('input, textarea, select') || target.closest('[role="dialog"], [role="menu"]');
    if (isTyping || target.matches('[role="img"]') || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    act();
  });
}
onKey('ArrowDown', () => void step(1));
onKey('ArrowUp', () => void step(-1));
onKey('a', () => void acknowledge());
onKey('c', () => (isClosing.value = Boolean(detail.value && mayHandleAlerts.value)));
onKey('?', () => (isShowingKeys.value = true));
</script>

<template>
  <h1 class="spoken">Desk</h1>
  <p v-if="error" role="alert" class="p-8 text-next">{{ error.message }}</p>
  <p v-else-if="isPending" class="p-8 text-quiet">Fetching what is open …</p>

  <div v-else-if="!queue.length && !id" class="m-auto max-w-md p-8">
    <h2 class="text-xl">Nothing needs you now.</h2>
    <template v-if="vehicles?.items.length">
      <p class="mt-2 text-quiet">
        Every wheel that reports is inside its limits. What happens next appears here by itself.
      </p>
      <p class="mt-3"><RouterLink to="/vehicles">See how every vehicle is</RouterLink></p>
    </template>
    <template v-else-if="isManager">
      <p class="mt-2 text-quiet">
        There are no vehicles yet. Bring in a fleet document first, then make a token for your receivers.
      </p>
      <p class="mt-3"><RouterLink to="/office#fleet">Bring in a fleet</RouterLink></p>
    </template>
    <p v-else class="mt-2 text-quiet">There are no vehicles yet. Ask a manager to bring in the fleet.</p>
  </div>

  <div v-else class="grid min-h-0 grow lg:grid-cols-[330px_1fr]">
    <nav
      aria-label="What is open"
      class="border-rule lg:sticky lg:top-0 lg:max-h-screen lg:overflow-y-auto lg:border-r"
      :class="{ 'hidden lg:block': id }"
    >
      <AlertQueue :alerts="queue" :chosen="shownId" />
      <p v-if="!queue.length" class="p-5 text-quiet">Nothing is open.</p>
      <p class="hidden px-5 py-3 text-quiet lg:block">
        <button type="button" class="link" @click="isShowingKeys = true">Keys</button>
        <kbd class="key ml-1.5">?</kbd>
      </p>
    </nav>
    <div class="min-w-0" :class="{ 'hidden lg:block': !id }">
      <RouterLink to="/desk" class="block px-5 pt-3 lg:hidden">All that is open</RouterLink>
      <p v-if="detailError" role="alert" class="p-6 text-next">{{ detailError.message }}</p>
      <AlertPane
        v-if="detail"
        :key="detail.item.id"
        :detail="detail"
        :vehicle="vehicles?.items.find((vehicle) => vehicle.ref === detail?.item.vehicle)"
        :may-handle="mayHandleAlerts"
        :trouble="trouble"
        @acknowledge="acknowledge"
        @close="isClosing = true"
      />
    </div>
  </div>

  <CloseDialog v-if="detail" :is-open="isClosing" :detail="detail" @done="isClosing = false" />
  <KeysDialog :is-open="isShowingKeys" @close="isShowingKeys = false" />
</template>
