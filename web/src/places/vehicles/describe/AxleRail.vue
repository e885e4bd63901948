<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue';
import { arrangementWords, roleWords } from '@/shared/position';
import { MOST_AXLES, type Axle } from './draft';
import { useKeys } from '@/shared/keys';

/** The axles from the front, to choose one and to put them in order, with mouse or keys. */
const props = defineProps<{ axles: Axle[]; faulty: Set<number> }>();
const chosen = defineModel<number>({ required: true });
const emit = defineEmits<{ add: []; remove: []; move: [steps: number] }>();

const buttons = useTemplateRef('buttons');
const isFull = computed(() => props.axles.length >= MOST_AXLES);

async function focusChosen(): Promise<void> {
  await nextTick();
  buttons.value?.[chosen.value]?.focus();
}

function go(to: number): void {
  chosen.value = Math.max(0, Math.min(props.axles.length - 1, to));
  void focusChosen();
}

useKeys('The row of axles that has the focus', [
  ['← →', 'the axle before or behind'],
  ['Alt ← →', 'move the axle'],
  ['Home End', 'the first or the last axle'],
  ['+', 'one more axle like this'],
  ['Delete', 'take the axle away'],
]);

function press(event: KeyboardEvent): void {
  const steps = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (steps && event.altKey) {
    emit('move', steps);
    void focusChosen();
  } else if (steps) go(chosen.value + steps);
  else if (event.key === 'Home') go(0);
  else if (event.key === 'End') go(props.axles.length - 1);
  else if (event.key === 'Insert' || event.key === '+') {
    emit('add');
    void focusChosen();
  } else if (event.key === 'Delete') {
    emit('remove');
    void focusChosen();
  } else return;
  event.preventDefault();
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2">
    <div
      role="radiogroup"
      aria-label="Axles from the front"
      aria-describedby="rail-keys"
      class="flex flex-wrap gap-1"
      @keydown="press"
    >
      <button
        v-for="(axle, i) in axles"
        :key="i"
        ref="buttons"
        type="button"
        role="radio"
        :aria-checked="i === chosen"
        :tabindex="i === chosen ? 0 : -1"
        class="cursor-pointer rounded-[3px] border px-2.5 py-1 max-sm:min-h-11"
        :class="[
          i === chosen ? 'border-action font-semibold ring-1 ring-action' : 'border-rule',
          { 'text-stop': faulty.has(i) },
        ]"
        @click="chosen = i"
      >
        <span class="figure">{{ i + 1 }}</span> {{ roleWords(axle.role) }}
        <span class="text-quiet"
          >{{ arrangementWords(axle.wheels) }}{{ axle.liftable ? ', lifts' : '' }}</span
        >
      </button>
    </div>
    <span class="flex gap-1">
      <button type="button" class="button" :disabled="isFull" @click="emit('add')">
        Add an axle behind it
      </button>
      <button type="button" class="button" :disabled="chosen === 0" @click="emit('move', -1)">Forward</button>
      <button type="button" class="button" :disabled="chosen === axles.length - 1" @click="emit('move', 1)">
        Back
      </button>
      <button type="button" class="button" :disabled="axles.length === 1" @click="emit('remove')">
        Remove
      </button>
    </span>
    <p id="rail-keys" class="basis-full text-quiet max-sm:hidden">
      Keys: <kbd class="key">←</kbd> <kbd class="key">→</kbd> choose, with <kbd class="key">Alt</kbd> move,
      <kbd class="key">+</kbd> adds, <kbd class="key">Delete</kbd> removes,
      <kbd class="key">Ctrl Z</kbd> undoes.
    </p>
  </div>
</template>
