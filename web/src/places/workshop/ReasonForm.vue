<script setup lang="ts">
import { ref } from 'vue';

/** Asks for a reason, which stays in the record. */
defineProps<{ label: string; action: string }>();
const emit = defineEmits<{ say: [reason: string] }>();
const isOpen = ref(false);
const reason = ref('');

function say(): void {
  if (!reason.value.trim()) return;
  emit('say', reason.value.trim());
  isOpen.value = false;
  reason.value = '';
}
</script>

<template>
  <div>
    <button v-if="!isOpen" type="button" class="button w-full" @click="isOpen = true">{{ label }}</button>
    <form v-else class="grid gap-2" @submit.prevent="say">
      <label>Why? <input v-model="reason" class="field mt-0.5" maxlength="1000" autofocus /></label>
      <div class="flex gap-2">
        <button type="submit" class="button" :disabled="!reason.trim()">{{ action }}</button>
        <button type="button" class="button" @click="isOpen = false">Leave it</button>
      </div>
    </form>
  </div>
</template>
