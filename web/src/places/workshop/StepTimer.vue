<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed, ref } from 'vue';

/** Counts down what a step needs: pressing, drying. */
const props = defineProps<{ seconds: number }>();

const endsAt = ref<number>();
const now = ref(Date.now());
useIntervalFn(() => (now.value = Date.now()), 250);
const left = computed(() =>
  endsAt.value === undefined ? props.seconds : Math.max(0, Math.ceil((endsAt.value - now.value) / 1000)),
);
const shown = computed(() => `${Math.floor(left.value / 60)}:${String(left.value % 60).padStart(2, '0')}`);

function start(): void {
  now.value = Date.now();
  endsAt.value = now.value + props.seconds * 1000;
}
</script>

<template>
  <span class="inline-flex items-center gap-2">
    <button type="button" class="button" @click="start">
      {{ endsAt === undefined ? 'Start' : 'Again' }}
    </button>
    <span class="figure text-lg" role="timer">{{ shown }}</span>
    <span role="status">{{ endsAt !== undefined && left === 0 ? 'done' : '' }}</span>
  </span>
</template>
