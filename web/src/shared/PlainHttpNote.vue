<script setup lang="ts">
/** Browsers keep work without a network from pages that came over plain HTTP; better say so before the signal is gone. */
const isWithoutNetworkOff = !window.isSecureContext || !('serviceWorker' in navigator);
</script>

<template>
  <p v-if="isWithoutNetworkOff" class="mt-2 border-l-3 border-before pl-3">
    This page came over plain HTTP, so the browser does not open it without a signal. Keep it open: what you
    enter is kept on the device and sent later. An address with https puts that right; ask whoever runs the
    server.
  </p>
</template>
