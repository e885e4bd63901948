<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useAlertActions, type AlertDetail } from '@/api/fleet';
import AppDialog from '@/shared/AppDialog.vue';
import { useAttempt } from '@/shared/useAttempt';

/** Closing without proof by readings needs a reason, and a name where the tyre was run soft. */
const props = defineProps<{ isOpen: boolean; detail: AlertDetail }>();
const emit = defineEmits<{ done: [] }>();

const actions = useAlertActions();
const reason = ref('');
const inspectedBy = ref('');
const isScrapped = ref(false);
const { trouble, isBusy, attempt } = useAttempt();

watch(
  () => props.isOpen,
  () => {
    reason.value = '';
    inspectedBy.value = '';
    isScrapped.value = false;
    trouble.value = '';
  },
);

const isReady = computed(
  () => reason.value.trim() && (!props.detail.isRunSoft || inspectedBy.value.trim() || isScrapped.value),
);

const close = () =>
  attempt(async () => {
    await actions.close(props.detail.item.id, {
      reason: reason.value,
      inspectedBy: inspectedBy.value.trim() || null,
      isScrapped: isScrapped.value,
    });
    emit('done');
  });
</script>

<template>
  <AppDialog :is-open="isOpen" title="Close this alert" @close="emit('done')">
    <form class="mt-3 grid gap-4" @submit.prevent="close">
      <p class="text-quiet">
        It closes by itself once the readings prove that all is well. Close it by hand when you know more than
        they do; it stays in the record with your name.
      </p>
      <label>
        What was found or done?
        <textarea v-model="reason" class="field mt-1" rows="3" maxlength="1000" required></textarea>
      </label>
      <fieldset v-if="detail.isRunSoft" class="grid gap-3 border-l-3 border-stop pl-3">
        <legend class="spoken">A tyre that was run soft</legend>
        <p>
          This tyre was at 80&nbsp;% of its target or less. Only an inspection off the vehicle by a trained
          person, or scrapping it, settles that.
        </p>
        <label>
          Inspected off the vehicle by
          <input v-model="inspectedBy" class="field mt-1" maxlength="120" autocomplete="off" />
        </label>
        <label class="flex items-center gap-2">
          <input v-model="isScrapped" type="checkbox" class="size-4" /> The tyre was scrapped
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
