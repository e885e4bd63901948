<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { ref, useTemplateRef, watch } from 'vue';

/**
 * What is wider than the screen scrolls sideways by itself; then, and only then, the keyboard must reach it. What is only
 * spoken within it stays within it too: it has no place of its own, and would widen the page.
 */
defineProps<{ label: string }>();

const outer = useTemplateRef('outer');
const inner = useTemplateRef('inner');
const { width: outerWidth } = useElementSize(outer);
const { width: innerWidth } = useElementSize(inner);
const scrolls = ref(false);

watch(
  [outerWidth, innerWidth],
  () => {
    scrolls.value = !!outer.value && outer.value.scrollWidth > outer.value.clientWidth;
  },
  { flush: 'post' },
);
</script>

<template>
  <div
    ref="outer"
    class="relative overflow-x-auto"
    :tabindex="scrolls ? 0 : undefined"
    :role="scrolls ? 'region' : undefined"
    :aria-label="scrolls ? label : undefined"
  >
    <div ref="inner" class="w-max min-w-full max-sm:has-[.stacked]:w-full"><slot /></div>
  </div>
</template>
