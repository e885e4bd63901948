<script setup lang="ts">
import type { AlertItem } from '@/api/live';
import { usePeople } from '@/api/people';
import { useClock } from '@/shared/time';

/** What the driver said last of an alert. */
defineProps<{ said: NonNullable<AlertItem['driver']> }>();

const { nameOf } = usePeople();
const { at } = useClock();
</script>

<template>
  <span :class="said.isUrgent ? 'font-semibold text-stop' : 'text-quiet'"
    >{{ nameOf(said.who) }} {{ said.words }}, <span class="figure">{{ at(said.at) }}</span></span
  >
</template>
