<script setup lang="ts">
import { ref, useTemplateRef } from 'vue';
import { useAlertWords } from '@/api/fleet';
import { useAttempt } from '@/shared/useAttempt';

/** Writes a note into the alert's record. */
const props = defineProps<{ alertId: string }>();

const words = useAlertWords();
const text = ref('');
const { trouble, isBusy, attempt } = useAttempt();
const field = useTemplateRef<HTMLTextAreaElement>('field');
defineExpose({ focus: () => field.value?.focus() });

const write = () =>
  attempt(async () => {
    await words.note(props.alertId, text.value);
    text.value = '';
  });
</script>

<template>
  <form class="grid gap-2" @submit.prevent="write">
    <label>
      <span class="text-quiet">Note for the record</span>
      <textarea ref="field" v-model="text" class="field mt-1" rows="2" maxlength="1000"></textarea>
    </label>
    <div v-if="text.trim()">
      <button type="submit" class="button" :disabled="isBusy">Write the note</button>
    </div>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </form>
</template>
