<script setup lang="ts">
import AppDialog from '@/shared/AppDialog.vue';

defineProps<{ isOpen: boolean }>();
const emit = defineEmits<{ close: [] }>();

const KEYS = [
  ['↑ ↓', 'the alert above or below'],
  ['A', 'acknowledge: I have seen it'],
  ['T', 'take in hand: I deal with it'],
  ['H', 'hold: put aside for a while, with a reason'],
  ['N', 'write a note'],
  ['C', 'close, with a reason'],
  ['F', 'narrow the queue'],
  ['/', 'go to any vehicle, wheel, sensor or command'],
  ['?', 'these keys'],
];
</script>

<template>
  <AppDialog :is-open="isOpen" title="Keys on the Desk" @close="emit('close')">
    <dl class="my-4 grid grid-cols-[4em_1fr] gap-y-2">
      <template v-for="[key, what] in KEYS" :key="key">
        <dt>
          <kbd class="key">{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <button type="button" class="button" @click="emit('close')">Back to the Desk</button>
  </AppDialog>
</template>
