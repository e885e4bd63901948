<script setup lang="ts">
import { useLimits } from '@/api/limits';
import { useSession } from '@/api/session';
import { useClock } from '@/shared/time';
import { usePeople } from '@/api/people';

/** What was changed lately, and the way back. */
const emit = defineEmits<{ undo: [id: string] }>();
const { nameOf } = usePeople();
const { data: limits } = useLimits();
const { isManager } = useSession();
const { at } = useClock();
</script>

<template>
  <section v-if="limits?.changes.length">
    <h2 class="text-base">Changed lately</h2>
    <ul class="border-t border-rule">
      <li v-for="one in limits.changes.slice(0, 8)" :key="one.id" class="border-b border-rule py-1">
        {{ one.words }} <span class="text-quiet">{{ at(new Date(one.at)) }}, {{ nameOf(one.who) }}</span>
        <button
          v-if="isManager && !one.isUndone"
          type="button"
          class="link ml-2"
          @click="emit('undo', one.id)"
        >
          undo
        </button>
        <span v-else-if="one.isUndone" class="ml-2 text-quiet">undone</span>
      </li>
    </ul>
  </section>
</template>
