<script setup lang="ts">
import type { AlertDetail } from '@/api/fleet';

/** What can hurt somebody at this wheel, before anyone goes near it. */
defineProps<{ notes: AlertDetail['safety'] }>();
</script>

<template>
  <div v-if="notes.length">
    <section v-for="note in notes" :key="note.title" class="mt-4 border-rule pt-4 xl:border-t">
      <h3>{{ note.title }}</h3>
      <p class="mt-1">{{ note.text }}</p>
    </section>
    <p class="mt-2 text-quiet">
      Makers’ instructions and local law go first; the work is for trained people.
    </p>
  </div>
</template>
