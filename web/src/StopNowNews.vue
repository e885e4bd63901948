<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { useAlerts } from './api/fleet';
import { stopsNow } from './shared/title';

/** Says a new Stop now wherever the reader is: by voice, and in the title. */
const { data: alerts } = useAlerts();
const news = ref('');
const stops = computed(() => alerts.value?.filter((alert) => alert.urgency === 'STOP_NOW'));
let known: Set<string> | undefined;

watch(
  stops,
  (now) => {
    if (!now) return;
    stopsNow.value = now.length;
    // What stood there when the page was opened is no news.
    const fresh = now.filter((alert) => known && !known.has(alert.id));
    if (fresh.length) news.value = `Stop now. ${fresh.map((alert) => alert.summary).join(' ')}`;
    known = new Set(now.map((alert) => alert.id));
  },
  { immediate: true },
);
onBeforeUnmount(() => (stopsNow.value = 0));
</script>

<template>
  <p role="alert" class="spoken">{{ news }}</p>
</template>
