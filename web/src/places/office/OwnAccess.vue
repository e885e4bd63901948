<script setup lang="ts">
import { ref } from 'vue';
import { changePassword, endOtherSessions, useSession } from '@/api/session';
import { useAttempt } from '@/shared/useAttempt';

/** One's own password, and where else one is signed in. */
const { account } = useSession();
const { trouble, isBusy, attempt } = useAttempt();
const current = ref('');
const next = ref('');
const said = ref('');

async function change(): Promise<void> {
  said.value = '';
  if (await attempt(() => changePassword(current.value, next.value))) {
    current.value = '';
    next.value = '';
    said.value = 'Your password is changed. Everywhere else you are signed out.';
  }
}

async function endOthers(): Promise<void> {
  said.value = '';
  if (await attempt(endOtherSessions)) said.value = 'Everywhere else you are signed out.';
}
</script>

<template>
  <section aria-labelledby="own-access">
    <h2 id="own-access" class="text-base">Your password</h2>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="change">
      <input
        type="text"
        class="hidden"
        autocomplete="username"
        :value="account?.userName"
        aria-hidden="true"
        tabindex="-1"
        readonly
      />
      <label class="w-56">
        Your present password
        <input
          v-model="current"
          type="password"
          class="field mt-1"
          autocomplete="current-password"
          required
        />
      </label>
      <label class="w-56">
        The new one, 10 characters or more
        <input
          v-model="next"
          type="password"
          class="field mt-1"
          autocomplete="new-password"
          minlength="10"
          required
        />
      </label>
      <button type="submit" class="button" :disabled="isBusy">Change it</button>
    </form>
    <p class="mt-2 text-quiet">
      Left signed in on a phone or in another office?
      <button type="button" class="link" :disabled="isBusy" @click="endOthers">
        Sign out everywhere else
      </button>
    </p>
    <p role="status" class="mt-1">{{ said }}</p>
    <p v-if="trouble" role="alert" class="mt-1 text-stop">{{ trouble }}</p>
  </section>
</template>
