<script setup lang="ts">
import { ref } from 'vue';
import { checkLogbook, mailNewest } from '@/api/logbook';
import type { Schemas } from '@/api/client';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Whether the book is as it was written, and what to keep elsewhere so that this can be shown later. */
const { at } = useClock();
const checking = useAttempt();
const mailing = useAttempt();
const standing = ref<Schemas['LogbookStanding']>();
const email = ref('');
const sentTo = ref('');

const check = () =>
  checking.attempt(async () => {
    standing.value = undefined;
    standing.value = await checkLogbook();
  }, 'Reading the whole book');
const send = () =>
  mailing.attempt(async () => {
    sentTo.value = '';
    sentTo.value = (await mailNewest(email.value)).email;
  });
const figures = (count: number) => count.toLocaleString('en-GB');
</script>

<template>
  <section aria-labelledby="chain-title">
    <h2 id="chain-title" class="text-base">Is the book as it was written?</h2>
    <p class="mt-1 max-w-3xl text-quiet">
      Each entry carries a check sum over itself and the one before it, so that a change to any of them shows.
      Whoever can write the database file could write the whole book anew; against that, keep the newest
      number where they cannot reach it.
    </p>
    <button type="button" class="button mt-2" :disabled="checking.isBusy.value" @click="check">
      {{ checking.isBusy.value ? 'Reading the whole book …' : 'Check the book' }}
    </button>
    <div aria-live="polite">
      <p v-if="checking.trouble.value" role="alert" class="mt-2 text-stop">{{ checking.trouble.value }}</p>
      <template v-if="standing">
        <p v-if="standing.isWhole" class="mt-2">
          It is whole: {{ figures(standing.entries) }} entries, none changed, missing or added. The newest, of
          {{ standing.at ? at(standing.at) : 'never' }}:
        </p>
        <template v-else>
          <p role="alert" class="mt-2 text-stop">
            It is not as it was written. Keep the database file as it is, and hold it against your backups.
          </p>
          <ul class="mt-1 ml-5 list-disc">
            <li v-for="one in standing.breaks" :key="one.number + one.what">
              Entry <span class="figure">{{ one.number }}</span>: {{ one.what }}
            </li>
          </ul>
        </template>
        <p v-if="standing.isWhole" class="figure mt-1 text-sm break-all select-all">
          {{ standing.newest }}:{{ standing.hash }}
        </p>
      </template>
    </div>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="send">
      <label class="grid gap-0.5"
        >Mail the newest number to
        <input
          v-model="email"
          type="email"
          class="field w-72"
          placeholder="name@example.org"
          autocomplete="email"
          required
      /></label>
      <button type="submit" class="button" :disabled="mailing.isBusy.value">Mail it</button>
    </form>
    <p v-if="mailing.trouble.value" role="alert" class="mt-2 text-stop">{{ mailing.trouble.value }}</p>
    <p aria-live="polite">
      <template v-if="sentTo"
        >Written to {{ sentTo }}; it stands in
        <RouterLink :to="{ name: 'mail' }">the mail</RouterLink>.</template
      >
    </p>
  </section>
</template>
