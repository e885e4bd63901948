<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router';

/** An address that leads nowhere. */
const route = useRoute();
</script>

<template>
  <div class="p-8">
    <h1 class="text-xl">There is no page at {{ decodeURI(route.path) }}.</h1>
    <p class="mt-2">
      Go to the <RouterLink to="/desk">Desk</RouterLink>, or choose <em>Go to</em> above and type what you
      look for.
    </p>
  </div>
</template>
