<script setup lang="ts">
import { RouterLink } from 'vue-router';
import type { AlertItem } from '@/api/live';
import { usePeople } from '@/api/people';
import { useClock } from '@/shared/time';
import { alertStateWords, kindWords, urgencyText } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import DriverSaid from './DriverSaid.vue';
import { fuse } from './queue';

/** One line of the queue, with its fuse. */
defineProps<{ alert: AlertItem; isChosen: boolean; behind: number }>();

const { nameOf } = usePeople();

const { now, age } = useClock();
</script>

<template>
  <RouterLink
    :to="{ name: 'desk', params: { id: alert.id } }"
    :data-alert="alert.id"
    class="grid grid-cols-[14px_5em_1fr_auto] items-center gap-x-2 py-3 pr-4 sm:py-2 text-ink no-underline"
    :aria-current="isChosen ? 'true' : undefined"
  >
    <UrgencyMark :urgency="alert.urgency" />
    <span class="figure truncate">{{ alert.vehicle }}</span>
    <span class="min-w-0" :class="alert.state === 'NEW' ? 'font-medium' : 'text-quiet'">
      <span class="figure">{{ alert.position }}</span> {{ kindWords(alert.kind)
      }}<span v-if="alert.state !== 'NEW'" class="font-normal text-quiet"
        >, {{ alertStateWords(alert.state)
        }}<template v-if="alert.assignee">, {{ nameOf(alert.assignee) }}</template></span
      >
      <span v-if="behind" class="block text-sm font-normal text-quiet">
        and <span class="figure">{{ behind }}</span> more, one cause
      </span>
      <DriverSaid v-if="alert.driver" class="block text-sm" :said="alert.driver" />
    </span>
    <span v-if="fuse(alert, now)" class="min-w-20 text-right whitespace-nowrap">
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
    <span v-else class="figure text-right text-quiet">{{ age(alert.openedAt) }} ago</span>
  </RouterLink>
</template>
