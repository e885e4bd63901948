<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { answer, http } from '@/api/client';
import { signIn, useSession } from '@/api/session';

/** The first manager of an empty product, through the link in the log. */
const { session } = useSession();
const router = useRouter();
const secret = window.location.hash.slice(1);

const userName = ref('');
const displayName = ref('');
const password = ref('');
const trouble = ref('');
const isBusy = ref(false);
const isDue = computed(() => session.value?.isSetUpDue && secret);

async function make(): Promise<void> {
  isBusy.value = true;
  trouble.value = '';
  try {
    await answer(
      http.POST('/api/v1/set-up', {
        body: { secret, userName: userName.value, displayName: displayName.value, password: password.value },
      }),
    );
    await signIn(userName.value, password.value);
    await router.push('/desk');
  } catch (e) {
    trouble.value = (e as Error).message;
  } finally {
    isBusy.value = false;
  }
}
</script>

<template>
  <div class="m-auto w-full max-w-sm p-6">
    <h1 class="text-2xl">Make the first manager</h1>
    <form v-if="isDue" class="mt-4 grid gap-3" @submit.prevent="make">
      <p class="text-quiet">The manager makes the accounts of everybody else. This link works once.</p>
      <label>
        User name
        <input v-model="userName" class="field mt-1" autocomplete="username" autocapitalize="none" required />
      </label>
      <label>
        Your name, as others see it
        <input v-model="displayName" class="field mt-1" autocomplete="name" required />
      </label>
      <label>
        Password, at least 10 characters
        <input
          v-model="password"
          class="field mt-1"
          type="password"
          autocomplete="new-password"
          minlength="10"
          required
        />
      </label>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div><button type="submit" class="button button-main" :disabled="isBusy">Make the account</button></div>
    </form>
    <p v-else class="mt-4">
      This link was used, or is not the newest one in the server’s log.
      <RouterLink to="/sign-in">Sign in</RouterLink>
    </p>
  </div>
</template>
