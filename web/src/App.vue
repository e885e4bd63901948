<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { onBeforeUnmount, watch } from 'vue';
import { RouterView } from 'vue-router';
import { forgetLastAct } from './api/alertActs';
import { askForWhatWasMissed, takeAlerts, takeWheels } from './api/fleet';
import { onSignedOut } from './api/client';
import { listen } from './api/live';
import { useSession } from './api/session';
import { told } from './shared/tell';
import StopNowNews from './StopNowNews.vue';
import TopLine from './TopLine.vue';
import WaitingNote from './WaitingNote.vue';

const { account } = useSession();
const queries = useQueryClient();
let stop: (() => void) | undefined;

watch(
  () => account.value?.userName,
  (userName) => {
    stop?.();
    forgetLastAct();
    stop = userName
      ? listen({
          onAlerts: (alerts) => takeAlerts(queries, alerts),
          onWheels: (wheels) => takeWheels(queries, wheels),
          onOpen: () => askForWhatWasMissed(queries),
          onRefused: () => void onSignedOut(),
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
    <WaitingNote />
    <p class="spoken" aria-live="polite">{{ told }}</p>
  </div>
</template>
