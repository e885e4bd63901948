<script setup lang="ts">
import { urgencyHue, type Urgency } from './urgency';

/** Shape and hue of an instruction; the word stands beside it. */
defineProps<{ urgency: Urgency }>();
</script>

<template>
  <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true" class="shrink-0">
    <template v-if="urgency === 'STOP_NOW'">
      <rect width="14" height="14" rx="2" :fill="urgencyHue(urgency)" />
      <text x="7" y="10.6" text-anchor="middle" font-size="10" font-weight="600" fill="var(--paper)">S</text>
    </template>
    <rect
      v-else-if="urgency === 'NEXT_STOP'"
      x="2"
      y="2"
      width="10"
      height="10"
      rx="2"
      fill="none"
      :stroke="urgencyHue(urgency)"
      stroke-width="3"
    />
    <template v-else-if="urgency === 'BEFORE_NEXT_TRIP'">
      <rect x="1" y="1" width="12" height="12" rx="2" fill="none" stroke="var(--ink)" />
      <path d="M5.5 1H13v7.5z" :fill="urgencyHue(urgency)" />
    </template>
    <circle v-else cx="7" cy="7" r="2.6" :fill="urgencyHue(urgency)" />
  </svg>
</template>
