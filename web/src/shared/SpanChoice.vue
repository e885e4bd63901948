<script setup lang="ts">
/** How far back a chart reaches. */
defineProps<{ spans: [hours: number, words: string][] }>();
const hours = defineModel<number>({ required: true });
</script>

<template>
  <fieldset class="flex gap-1 print:hidden">
    <legend class="spoken">How far back</legend>
    <button
      v-for="[value, words] in spans"
      :key="value"
      type="button"
      class="button"
      :aria-pressed="hours === value"
      @click="hours = value"
    >
      {{ words }}
    </button>
  </fieldset>
</template>
