import { computed, ref, watch, type Ref } from 'vue';

/** From and to, seconds since 1970. */
export type Range = [from: number, to: number];

const SHORTEST_SECONDS = 10 * 60;
const STEP = 2;

/** A part of a time to look at more closely; keeps its place while the whole moves on. */
export function useZoom(whole: Ref<Range>) {
  const part = ref<Range>();
  const length = computed(() => Math.round((whole.value[1] - whole.value[0]) / 60));
  watch(length, (now, before) => {
    // Another span was chosen; a minute more or less is only the clock.
    if (Math.abs(now - before) > 5) part.value = undefined;
  });
  const range = computed(() => part.value ?? whole.value);

  function show([from, to]: Range): void {
    const [first, last] = whole.value;
    const wanted = Math.max(SHORTEST_SECONDS, to - from);
    if (wanted >= last - first) {
      part.value = undefined;
      return;
    }
    const begin = Math.max(first, Math.min(last - wanted, from));
    part.value = [begin, begin + wanted];
  }

  function scale(factor: number, around?: number): void {
    const [from, to] = range.value;
    const middle = around ?? (from + to) / 2;
    show([middle - (middle - from) * factor, middle + (to - middle) * factor]);
  }

  return {
    range,
    isZoomed: computed(() => part.value !== undefined),
    show,
    closer: (around?: number) => scale(1 / STEP, around),
    wider: (around?: number) => scale(STEP, around),
    all: () => (part.value = undefined),
  };
}
