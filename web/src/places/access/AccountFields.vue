<script setup lang="ts">
/** Name and password of a new account. */
const account = defineModel<{ userName: string; displayName: string; password: string }>({ required: true });
</script>

<template>
  <label>
    User name
    <input
      v-model="account.userName"
      class="field mt-1"
      autocomplete="username"
      autocapitalize="none"
      required
    />
  </label>
  <label>
    Your name, as others see it
    <input v-model="account.displayName" class="field mt-1" autocomplete="name" required />
  </label>
  <label>
    Password, at least 10 characters
    <input
      v-model="account.password"
      class="field mt-1"
      type="password"
      autocomplete="new-password"
      minlength="10"
      required
    />
  </label>
</template>
