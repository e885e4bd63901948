<script setup lang="ts">
import OwnAccess from './OwnAccess.vue';
import ReadingPreferences from './ReadingPreferences.vue';

/** What is a person's own: units, light, password. */
</script>

<template>
  <ReadingPreferences />
  <OwnAccess class="mt-6 border-t border-rule pt-5" />
</template>
