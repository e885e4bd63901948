<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { answer, http } from '@/api/client';
import { howFar } from '@/api/progress';
import { checkBackup } from '@/api/logbook';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Copies of the database, made while it is in use. */
const queries = useQueryClient();
const { at } = useClock();
const { data, error } = useQuery({
  queryKey: ['backups'],
  queryFn: () => answer(http.GET('/api/v1/backups')),
});
const { trouble, isBusy, attempt } = useAttempt();
const checking = useAttempt();
const found = ref('');
const isBad = ref(false);

/** How much it is can be told from the last one. */
const lastOne = () => {
  const last = data.value?.items[0];
  return `Copying the database while it goes on${last ? `, about ${megabytes(last.bytes)} MB` : ''}`;
};
const make = () =>
  attempt(
    async () => {
      await answer(http.POST('/api/v1/backups'));
      await queries.invalidateQueries({ queryKey: ['backups'] });
    },
    lastOne(),
    { howFar },
  );

const check = (name: string) =>
  checking.attempt(async () => {
    found.value = '';
    const book = await checkBackup(name);
    isBad.value = !book.isWhole || !book.isPartOfThis;
    const first = book.breaks[0];
    found.value =
      `${name}: ` +
      (first
        ? `its logbook is not as it was written. Entry ${String(first.number)}: ${first.what}`
        : book.isPartOfThis
          ? `its logbook is whole, and the ${book.entries.toLocaleString('en-GB')} entries in it are those of this one.`
          : 'its logbook is whole, but it is not the beginning of this one.');
  }, `Reading the whole logbook of ${name}`);
const megabytes = (bytes: number) => (bytes / 1e6).toFixed(1);
</script>

<template>
  <section aria-label="Backups">
    <p class="mt-1 max-w-2xl text-quiet">
      A copy of everything, made while the product goes on. Keep it on another computer. It is brought back by
      starting the product with <code class="figure">--restore FILE</code>; the README says how.
    </p>
    <p v-if="error" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <ul v-if="data?.items.length" class="mt-2 max-w-2xl">
      <li v-for="backup in data.items" :key="backup.name" class="flex gap-4 border-b border-rule py-1.5">
        <a :href="`/api/v1/backups/${backup.name}`" download class="figure grow">{{ backup.name }}</a>
        <span class="figure text-quiet">{{ at(backup.madeAt) }}</span>
        <span class="figure w-20 text-right text-quiet">{{ megabytes(backup.bytes) }} MB</span>
        <button type="button" class="link" :disabled="checking.isBusy.value" @click="check(backup.name)">
          Check its logbook
        </button>
      </li>
    </ul>
    <p v-if="checking.trouble.value" role="alert" class="mt-2 text-stop">{{ checking.trouble.value }}</p>
    <p aria-live="polite" class="mt-2" :class="{ 'text-stop': isBad }">{{ found }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <button type="button" class="button mt-3" :disabled="isBusy" @click="make">
      {{ isBusy ? 'Making a backup …' : 'Make a backup now' }}
    </button>
  </section>
</template>
