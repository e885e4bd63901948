<script setup lang="ts">
import { computed } from 'vue';
import AppDialog from './shared/AppDialog.vue';
import { keysHere, onKey, type KeysOf } from './shared/keys';

/** Every key that does something on this page. */
const isOpen = defineModel<boolean>({ required: true });

const EVERYWHERE: KeysOf = {
  part: 'Everywhere',
  keys: [
    ['/', 'go to any vehicle, wheel, sensor, page or command'],
    ['Tab', 'the next thing; with Shift the one before'],
    ['Enter', 'open it, or press the button'],
    ['Esc', 'leave a dialog as if nothing had been'],
    ['?', 'these keys'],
  ],
};
const parts = computed(() => [...keysHere.value, EVERYWHERE]);

onKey('?', () => (isOpen.value = true));
</script>

<template>
  <AppDialog :is-open="isOpen" title="Keys of this page" @close="isOpen = false">
    <section v-for="own in parts" :key="own.part" class="mt-4">
      <h3 class="font-semibold">{{ own.part }}</h3>
      <dl class="mt-1.5 grid grid-cols-[6.5em_1fr] gap-y-1.5">
        <template v-for="[key, what] in own.keys" :key="key">
          <dt>
            <kbd class="key">{{ key }}</kbd>
          </dt>
          <dd>{{ what }}</dd>
        </template>
      </dl>
    </section>
    <button type="button" class="button mt-5" @click="isOpen = false">Back to the page</button>
  </AppDialog>
</template>
