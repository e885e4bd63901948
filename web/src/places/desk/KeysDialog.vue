<script setup lang="ts">
import AppDialog from '@/shared/AppDialog.vue';

defineProps<{ isOpen: boolean }>();
const emit = defineEmits<{ close: [] }>();

const KEYS = [
  ['↑ ↓', 'the alert above or below'],
  ['A', 'acknowledge: I have seen it'],
  ['C', 'close, with a reason'],
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
