<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { ActMore } from '@/api/alertActs';
import AppDialog from '@/shared/AppDialog.vue';
import { namesIn, wordsOf } from '@/shared/vocabulary';

/** Puts right what a person reported: another wheel, or another fault. */
const props = defineProps<{
  isOpen: boolean;
  position: string | null;
  wheels: string[];
  trouble: string;
  isBusy: boolean;
}>();
const emit = defineEmits<{ go: [more: ActMore]; done: [] }>();

const wheel = ref('');
const point = ref<NonNullable<ActMore['point']> | ''>('');
const others = computed(() => props.wheels.filter((one) => one !== props.position));

watch(
  () => props.isOpen,
  () => {
    wheel.value = '';
    point.value = '';
  },
);

const correct = () =>
  emit('go', {
    position: wheel.value || null,
    point: point.value || null,
  });
</script>

<template>
  <AppDialog :is-open="isOpen" :title="$t('desk.correctTitle')" @close="emit('done')">
    <form class="mt-3 grid gap-4" @submit.prevent="correct">
      <p class="text-quiet">{{ $t('desk.correctWhat') }}</p>
      <label>
        {{ $t('desk.correctWheel') }}
        <select v-model="wheel" class="field mt-1">
          <option value="">
            {{ $t('desk.correctWheelSame', { wheel: position ?? $t('desk.correctWhole') }) }}
          </option>
          <option v-for="one in others" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <label>
        {{ $t('desk.correctPoint') }}
        <select v-model="point" class="field mt-1">
          <option value="">{{ $t('desk.correctPointSame') }}</option>
          <option v-for="one in namesIn('walkPoints')" :key="one" :value="one">
            {{ wordsOf('walkPoints', one) }}
          </option>
        </select>
      </label>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="(!wheel && !point) || isBusy">
          {{ $t('desk.correctSave') }}
        </button>
        <button type="button" class="button" @click="emit('done')">{{ $t('desk.cancel') }}</button>
      </div>
    </form>
  </AppDialog>
</template>
