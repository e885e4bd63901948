<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useInstructions } from '@/api/driver';
import type { AlertItem } from '@/api/live';
import AppDialog from '@/shared/AppDialog.vue';
import { useAttempt } from '@/shared/useAttempt';

/** Telling a driver what to do: the text is ready, in their language. */
const props = defineProps<{ isOpen: boolean; alert: AlertItem }>();
const emit = defineEmits<{ done: [] }>();

const { data, error, isFetching, refetch, tell } = useInstructions(() => props.alert.id);
const { trouble, isBusy, attempt } = useAttempt();
const chosen = ref('');
const drivers = computed(() => data.value?.drivers ?? []);
const driver = computed(() => drivers.value.find((one) => one.userName === chosen.value) ?? drivers.value[0]);

const ways = computed(() => {
  const more = [
    ...(driver.value?.hasEmail ? ['by mail'] : []),
    ...(driver.value?.hasPhone ? ['by text message'] : []),
  ];
  return more.length
    ? ['on their page', ...more].join(', ')
    : 'on their page; no mail address and no telephone is known';
});

watch(
  () => props.isOpen,
  (isOpen) => {
    chosen.value = '';
    trouble.value = '';
    // Who drives it, and what there is to say, may have changed since the alert was opened.
    if (isOpen) void refetch();
  },
);

async function send(): Promise<void> {
  const to = driver.value;
  if (to && (await attempt(() => tell(to.userName), `Telling ${to.displayName}`))) emit('done');
}
</script>

<template>
  <AppDialog :is-open="isOpen" :title="`Instruct the driver of ${alert.vehicle}`" @close="emit('done')">
    <p v-if="error && !data" role="alert" class="mt-3 text-stop">{{ error.message }}</p>
    <form v-else-if="driver" class="mt-3 grid gap-4" @submit.prevent="send">
      <label v-if="drivers.length > 1">
        Who drives it?
        <select v-model="chosen" class="field mt-1">
          <option v-for="(one, i) in drivers" :key="one.userName" :value="i ? one.userName : ''">
            {{ one.displayName }}
          </option>
        </select>
      </label>
      <figure>
        <figcaption class="text-quiet">{{ driver.displayName }} is told {{ ways }}:</figcaption>
        <blockquote :lang="driver.language.toLowerCase()" class="mt-1 border-l-3 border-ink pl-3">
          <p v-for="line in driver.text.split('\n')" :key="line">{{ line }}</p>
        </blockquote>
      </figure>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button button-main" :disabled="isBusy || isFetching">
          Tell {{ driver.displayName }}
        </button>
        <button type="button" class="button" @click="emit('done')">Not now</button>
      </div>
    </form>
    <template v-else-if="data">
      <p class="mt-3">
        Nobody is assigned to drive {{ alert.vehicle }}. Call whoever does, and
        <RouterLink to="/office/team">assign the vehicle to them</RouterLink> so that they can be told here.
      </p>
      <button type="button" class="button mt-4" @click="emit('done')">Close</button>
    </template>
  </AppDialog>
</template>
