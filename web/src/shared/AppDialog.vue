<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue';
import { useTemplateRef } from 'vue';
import { useDialogFocus } from './useDialogFocus';

/** A question that has to be answered before going on. */
const props = defineProps<{ isOpen: boolean; title: string }>();
const emit = defineEmits<{ close: [] }>();

const panel = useTemplateRef('panel');
useDialogFocus(() => props.isOpen, panel);
</script>

<template>
  <Dialog :open="isOpen" class="fixed inset-0 z-20" @close="emit('close')">
    <div class="fixed inset-0 bg-ink opacity-40" aria-hidden="true"></div>
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-[12vh]">
      <DialogPanel ref="panel" class="w-full max-w-lg rounded border border-ink bg-raised p-5 text-ink">
        <DialogTitle class="text-lg font-semibold">{{ title }}</DialogTitle>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
