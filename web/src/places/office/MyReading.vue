<script setup lang="ts">
import OwnAlarm from './OwnAlarm.vue';
import OwnAccess from './OwnAccess.vue';
import ReadingPreferences from './ReadingPreferences.vue';

/** What is a person's own: units, light, password. */
</script>

<template>
  <ReadingPreferences />
  <OwnAlarm class="mt-6 border-t border-rule pt-5" />
  <OwnAccess class="mt-6 border-t border-rule pt-5" />
</template>
