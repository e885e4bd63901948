<script setup lang="ts">
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { logbookFile, useLogbook, type LogbookFilter } from '@/api/logbook';
import LogbookEntry from '@/shared/LogbookEntry.vue';
import LogbookChain from './LogbookChain.vue';
import LogbookFilters from './LogbookFilters.vue';

/** What was done, by whom, when and why. What is chosen stands in the address, so that it can be handed on. */
const route = useRoute();
const router = useRouter();
const filter = computed<LogbookFilter>({
  get: () =>
    Object.fromEntries(
      Object.entries(route.query).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
    ),
  set: (wanted) => void router.replace({ query: { ...wanted } }),
});
const isNarrowed = computed(() => Object.keys(filter.value).length > 0);
const LIMIT = 50;
const { items, error, isFetching, hasNextPage, isFetchingNextPage, fetchNextPage } = useLogbook(
  filter,
  LIMIT,
);

// A long book is looked through in pieces; an empty piece is no reason to stop.
watch([items, hasNextPage, isFetching], () => {
  if (items.value && items.value.length < LIMIT && hasNextPage.value && !isFetching.value && !error.value) {
    void fetchNextPage();
  }
});
</script>

<template>
  <div class="max-w-5xl min-[1500px]:max-w-none">
    <LogbookFilters v-model="filter" />
    <p class="mt-3 flex flex-wrap gap-x-5">
      <button v-if="isNarrowed" type="button" class="link" @click="filter = {}">Show everything</button>
      <a :href="logbookFile(filter, 'csv')" download
        >{{ isNarrowed ? 'These entries' : 'The whole book' }} as a table</a
      >
      <a :href="logbookFile(filter, 'json')" download>as JSON, with check sums</a>
    </p>
    <p v-if="error" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <div class="@container mt-3 border-t border-rule" :aria-busy="isFetching">
      <p v-if="items && hasNextPage && items.length < LIMIT" class="py-3 text-quiet" role="status">
        Looking further back …
      </p>
      <p v-else-if="items && !items.length" class="py-3 text-quiet">
        No entry fits. Take something away from what is chosen above.
      </p>
      <LogbookEntry v-for="entry in items" :key="entry.number" :entry="entry" />
    </div>
    <button
      v-if="hasNextPage && items && items.length >= LIMIT"
      type="button"
      class="button mt-3"
      :disabled="isFetchingNextPage"
      @click="fetchNextPage()"
    >
      {{ isFetchingNextPage ? 'Reading …' : 'Earlier entries' }}
    </button>
    <LogbookChain class="mt-7 border-t border-rule pt-5" />
  </div>
</template>
