<script setup lang="ts">
import type { Waiting } from '@/api/outbox';
import { placeWords } from '@/shared/position';
import { KINDS, outcomeWords } from './job';

/** Entries about which somebody has to decide: two people said different things, or something speaks against one. */
defineProps<{ entries: readonly Waiting[] }>();
const what = ({ entry }: Waiting) =>
  `${entry.position ? `${placeWords(entry.position)}, ` : ''}${KINDS[entry.kind ?? ''] ?? 'entry'}`;
const emit = defineEmits<{ insist: [key: string]; drop: [key: string] }>();
</script>

<template>
  <ul v-if="entries.length" class="grid gap-2">
    <li v-for="one in entries" :key="one.entry.key" role="alert" class="border-l-2 border-stop bg-raised p-3">
      <p v-if="one.outcome" class="font-medium">
        Not stored: {{ what(one) }}. {{ outcomeWords(one.outcome) }}
      </p>
      <p v-for="doubt in one.outcome?.doubts" :key="doubt.kind" class="text-quiet">{{ doubt.wayOut }}</p>
      <p v-if="one.outcome?.theirs?.data.code" class="text-quiet">
        Theirs: <span class="figure">{{ one.outcome.theirs.data.code }}</span>, yours:
        <span class="figure">{{ one.entry.data?.code }}</span>
      </p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button
          v-if="one.outcome && one.outcome.outcome !== 'REFUSED'"
          type="button"
          class="button"
          :aria-label="`Mine is meant: ${what(one)}`"
          @click="emit('insist', one.entry.key)"
        >
          Mine is meant
        </button>
        <button
          type="button"
          class="button"
          :aria-label="`${one.outcome?.outcome === 'CONFLICT' ? 'Keep theirs' : 'Drop mine'}: ${what(one)}`"
          @click="emit('drop', one.entry.key)"
        >
          {{ one.outcome?.outcome === 'CONFLICT' ? 'Keep theirs' : 'Drop mine' }}
        </button>
      </div>
    </li>
  </ul>
</template>
