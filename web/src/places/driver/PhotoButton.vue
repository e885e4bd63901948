<script setup lang="ts">
import { useTemplateRef } from 'vue';
import { useDriverWords } from '@/api/driver';
import { useAttempt } from '@/shared/useAttempt';
import { asJpeg } from './photo';

/** Sends what the phone's camera sees to the record of an alert. */
const props = defineProps<{ alert: string; words: Record<string, string>; label: string }>();

const { photograph } = useDriverWords();
const picker = useTemplateRef<HTMLInputElement>('picker');
const { trouble, isBusy, attempt } = useAttempt();

async function send(): Promise<void> {
  const file = picker.value?.files?.[0];
  if (!file) return;
  await attempt(async () => photograph(props.alert, await asJpeg(file)), props.words.sending, {
    done: props.words.photoSent ?? '',
  });
  if (picker.value) picker.value.value = '';
}
</script>

<template>
  <div>
    <input
      ref="picker"
      type="file"
      accept="image/*"
      capture="environment"
      class="hidden"
      :aria-label="label"
      @change="send"
    />
    <button type="button" class="button min-h-14 w-full" :disabled="isBusy" @click="picker?.click()">
      {{ label }}
    </button>
    <p class="mt-1 text-quiet">{{ words.photoHint }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </div>
</template>
