<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { AlertItem } from '@/api/live';
import { useClock } from '@/shared/time';
import { kindWords, URGENCIES, urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { fuse } from './queue';

/** What is open, grouped by what is to be done. */
const props = defineProps<{ alerts: AlertItem[]; chosen: string | undefined }>();

const { now, age } = useClock();
const groups = computed(() =>
  URGENCIES.map((urgency) => ({
    urgency,
    alerts: props.alerts.filter((alert) => alert.urgency === urgency),
  })).filter((group) => group.alerts.length),
);

const STATES: Partial<Record<AlertItem['state'], string>> = {
  ACKNOWLEDGED: 'seen',
  IN_HAND: 'in hand',
  RECOVERED: 'back in band',
  SHELVED: 'put aside',
};
</script>

<template>
  <section v-for="group in groups" :key="group.urgency" :aria-label="urgencyWords(group.urgency)">
    <h2 class="flex justify-between px-5 pt-3 pb-1.5" :class="urgencyText(group.urgency)">
      {{ urgencyWords(group.urgency) }} <span class="figure">{{ group.alerts.length }}</span>
    </h2>
    <ul>
      <li v-for="alert in group.alerts" :key="alert.id" class="border-t border-rule last:border-b">
        <RouterLink
          :to="{ name: 'desk', params: { id: alert.id } }"
          :data-alert="alert.id"
          class="grid grid-cols-[14px_5.5em_1fr_auto] items-center gap-x-2.5 border-l-3 py-3 pr-5 sm:py-2 pl-[17px] text-ink no-underline"
          :class="chosen === alert.id ? 'border-l-action bg-raised' : 'border-l-transparent'"
          :aria-current="chosen === alert.id ? 'true' : undefined"
        >
          <UrgencyMark :urgency="alert.urgency" />
          <span class="figure truncate">{{ alert.vehicle }}</span>
          <span class="min-w-0" :class="alert.state === 'NEW' ? 'font-medium' : 'text-quiet'">
            <span class="figure">{{ alert.position }}</span> {{ kindWords(alert.kind)
            }}<span v-if="STATES[alert.state]" class="font-normal text-quiet"
              >, {{ STATES[alert.state] }}</span
            >
          </span>
          <span v-if="fuse(alert, now)" class="w-16 text-right">
            <span class="figure block">{{ fuse(alert, now)?.words }}</span>
            <svg class="block h-1 w-full" aria-hidden="true" preserveAspectRatio="none" viewBox="0 0 100 4">
              <rect width="100" height="4" fill="var(--rule)" />
              <rect
                :width="fuse(alert, now)?.percent"
                height="4"
                fill="currentColor"
                :class="urgencyText(alert.urgency)"
              />
            </svg>
          </span>
          <span v-else class="figure text-right text-quiet">{{ age(alert.openedAt) }}</span>
        </RouterLink>
      </li>
    </ul>
  </section>
</template>
