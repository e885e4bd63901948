<script setup lang="ts">
import { RouterLink } from 'vue-router';
import type { AlertItem } from '@/api/live';
import { urgencyText, urgencyWords } from '@/shared/urgency';
import DriverAnswers from './DriverAnswers.vue';
import UrgencyMark from '@/shared/UrgencyMark.vue';

/** The one thing that a driver has to do now, before the list of everything. */
defineProps<{ alert: AlertItem | undefined; isParked: boolean }>();
</script>

<template>
  <section aria-labelledby="driver-now" class="border-b border-rule px-5 py-4">
    <template v-if="alert">
      <p class="flex items-center gap-2 text-lg font-semibold" :class="urgencyText(alert.urgency)">
        <UrgencyMark :urgency="alert.urgency" /> {{ urgencyWords(alert.urgency, isParked) }}
      </p>
      <h2 id="driver-now" class="mt-1 text-xl leading-tight">{{ alert.summary }}</h2>
      <p class="mt-2 text-lg">{{ alert.advice }}</p>
      <RouterLink
        :to="{ name: 'desk', params: { id: alert.id } }"
        class="button mt-3 flex min-h-13 items-center justify-center text-ink no-underline"
        >What to mind, and why</RouterLink
      >
      <DriverAnswers class="mt-4" :alert="alert" />
    </template>
    <template v-else>
      <h2 id="driver-now" class="text-lg">Nothing is open at your vehicles.</h2>
      <p class="mt-1 text-quiet">As far as tyre sensors tell; walk round the vehicle before you leave.</p>
    </template>
  </section>
</template>
