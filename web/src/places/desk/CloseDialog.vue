<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { ActMore } from '@/api/alertActs';
import type { Schemas } from '@/api/client';
import AppDialog from '@/shared/AppDialog.vue';

/** Closing without proof by readings needs a reason, and a name where only an inspection settles it. */
const props = defineProps<{
  isOpen: boolean;
  count: number;
  isRunSoft: boolean;
  hasToBeInspected: boolean;
  trouble: string;
  isBusy: boolean;
}>();
const emit = defineEmits<{ go: [more: ActMore]; done: [] }>();

type Verdict = NonNullable<Schemas['ActRequest']['verdict']>;
const VERDICTS: [Verdict, string][] = [
  ['RIGHT', 'It was right'],
  ['NOT_WORTH_IT', 'Right, but not worth it'],
  ['NOTHING_FOUND', 'Nothing was found'],
];
const reason = ref('');
const inspectedBy = ref('');
const isScrapped = ref(false);
const verdict = ref<Verdict>();

watch(
  () => props.isOpen,
  () => {
    reason.value = '';
    inspectedBy.value = '';
    isScrapped.value = false;
    verdict.value = undefined;
  },
);

const isReady = computed(
  () => reason.value.trim() && (!props.hasToBeInspected || inspectedBy.value.trim() || isScrapped.value),
);

const close = () =>
  emit('go', {
    reason: reason.value,
    inspectedBy: inspectedBy.value.trim() || null,
    isScrapped: isScrapped.value,
    verdict: verdict.value ?? null,
  });
</script>

<template>
  <AppDialog
    :is-open="isOpen"
    :title="count > 1 ? `Close ${count} alerts` : 'Close this alert'"
    @close="emit('done')"
  >
    <form class="mt-3 grid gap-4" @submit.prevent="close">
      <p v-if="hasToBeInspected" class="text-quiet">{{ $t('desk.closeInspected') }}</p>
      <p v-else class="text-quiet">
        It closes by itself once the readings prove that all is well. Close it by hand when you know more than
        they do; it stays in the record with your name, and as closed without proof.
      </p>
      <label>
        What was found or done?
        <textarea v-model="reason" class="field mt-1" rows="3" maxlength="1000" required></textarea>
      </label>
      <div role="radiogroup" aria-labelledby="verdict">
        <p id="verdict">Was the alert right?</p>
        <div class="mt-1 flex flex-wrap gap-2">
          <button
            v-for="[value, words] in VERDICTS"
            :key="value"
            type="button"
            role="radio"
            class="button"
            :class="{ 'button-main': verdict === value }"
            :aria-checked="verdict === value"
            @click="verdict = verdict === value ? undefined : value"
          >
            {{ words }}
          </button>
        </div>
      </div>
      <fieldset v-if="hasToBeInspected" class="grid gap-3 border-l-3 border-stop pl-3">
        <legend class="spoken">{{ $t('desk.inspection') }}</legend>
        <p>{{ isRunSoft ? $t('desk.inspectSoft') : $t('desk.inspectReport') }}</p>
        <label>
          {{ isRunSoft ? $t('desk.inspectedOffBy') : $t('desk.inspectedBy') }}
          <input v-model="inspectedBy" class="field mt-1" maxlength="120" autocomplete="off" />
        </label>
        <label class="flex items-center gap-2">
          <input v-model="isScrapped" type="checkbox" class="size-4" /> {{ $t('desk.scrapped') }}
        </label>
      </fieldset>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="!isReady || isBusy">
          Close the alert
        </button>
        <button type="button" class="button" @click="emit('done')">Leave it open</button>
      </div>
    </form>
  </AppDialog>
</template>
