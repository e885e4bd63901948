<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { underWay } from './shared/useAttempt';

/** What takes longer than a moment says so, and for how long it has been at it. */
const A_MOMENT_MILLIS = 1_000;

const now = ref(Date.now());
const { pause, resume } = useIntervalFn(() => (now.value = Date.now()), 250, { immediate: false });
watch(
  () => underWay.size,
  (count) => {
    now.value = Date.now();
    if (count) resume();
    else pause();
  },
);
/** Of several the one that was begun first. */
const longest = computed(() => [...underWay].find((one) => now.value - one.since >= A_MOMENT_MILLIS));
const seconds = computed(() => Math.floor((now.value - (longest.value?.since ?? now.value)) / 1_000));
const far = ref('');
/** Once a second is often enough, and how far it is matters less than that it goes on. */
watch(
  () => [longest.value, seconds.value] as const,
  async ([one], [before]) => {
    if (one !== before) far.value = '';
    const words = await one?.howFar?.().catch(() => undefined);
    if (words !== undefined && one === longest.value) far.value = words;
  },
);
</script>

<template>
  <div class="fixed inset-x-0 bottom-0 z-30 print:hidden">
    <!-- The seconds are for the eye: a screen reader would count them aloud. -->
    <p role="status" :class="longest ? 'border-t border-ink bg-raised px-5 py-2 font-medium' : 'spoken'">
      <template v-if="longest"
        >{{ longest.what }} …
        <span class="figure text-quiet" aria-hidden="true"
          >{{ far && `${far}, ` }}{{ seconds }} s</span
        ></template
      >
    </p>
  </div>
</template>
