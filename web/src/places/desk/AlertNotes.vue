<script setup lang="ts">
import { ref, useTemplateRef } from 'vue';
import { useAlertActions } from '@/api/fleet';

/** Writes a note into the alert's record. */
const props = defineProps<{ alertId: string }>();

const actions = useAlertActions();
const text = ref('');
const trouble = ref('');
const isBusy = ref(false);
const field = useTemplateRef<HTMLTextAreaElement>('field');
defineExpose({ focus: () => field.value?.focus() });

async function write(): Promise<void> {
  isBusy.value = true;
  trouble.value = '';
  try {
    await actions.note(props.alertId, text.value);
    text.value = '';
  } catch (e) {
    trouble.value = (e as Error).message;
  } finally {
    isBusy.value = false;
  }
}
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
