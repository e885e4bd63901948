<script setup lang="ts">
import { useLogbook, type LogbookFilter } from '@/api/logbook';
import LogbookEntry from './LogbookEntry.vue';

/** The part of the logbook that is about one thing. */
const props = defineProps<{ filter: LogbookFilter; limit?: number }>();

const { items, error, hasNextPage, isFetchingNextPage, fetchNextPage } = useLogbook(
  () => props.filter,
  props.limit ?? 8,
);
</script>

<template>
  <div class="@container">
    <p v-if="error" role="alert" class="text-next">{{ error.message }}</p>
    <p v-else-if="items && !items.length" class="text-quiet">Nothing was written down yet.</p>
    <LogbookEntry v-for="entry in items" :key="entry.number" :entry="entry" is-short />
    <button
      v-if="hasNextPage"
      type="button"
      class="link mt-2"
      :disabled="isFetchingNextPage"
      @click="fetchNextPage()"
    >
      {{ isFetchingNextPage ? 'Reading …' : 'Earlier ones' }}
    </button>
  </div>
</template>
