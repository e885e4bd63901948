<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { onBeforeUnmount, watch } from 'vue';
import { RouterView, useRouter } from 'vue-router';
import { askAfresh, takeAlerts, takeWheels } from './api/fleet';
import { listen } from './api/live';
import { hasLeft, loadSession, useSession } from './api/session';
import StopNowNews from './StopNowNews.vue';
import TopLine from './TopLine.vue';

const { account } = useSession();
const queries = useQueryClient();
const router = useRouter();
let stop: (() => void) | undefined;

/** After a restart of the server nobody is signed in any more; better say so than show an old picture for good. */
async function checkSession(): Promise<void> {
  try {
    await loadSession();
  } catch {
    return;
  }
  if (!account.value && !hasLeft) {
    const { fullPath } = router.currentRoute.value;
    queries.clear();
    await router.push({ name: 'sign-in', query: { then: fullPath } });
  }
}

watch(
  () => account.value?.userName,
  (userName) => {
    stop?.();
    stop = userName
      ? listen({
          onAlerts: (alerts) => takeAlerts(queries, alerts),
          onWheels: (wheels) => takeWheels(queries, wheels),
          onOpen: () => void askAfresh(queries),
          onRefused: () => void checkSession(),
        })
      : undefined;
  },
  { immediate: true },
);
onBeforeUnmount(() => stop?.());
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <a href="#main" class="spoken focus:not-sr-only">To the content</a>
    <template v-if="account">
      <TopLine />
      <StopNowNews />
    </template>
    <main id="main" class="flex min-h-0 grow flex-col">
      <RouterView />
    </main>
  </div>
</template>
