<script setup lang="ts">
import { computed, reactive } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { answer, http } from '@/api/client';
import { signIn, useSession } from '@/api/session';
import { useAttempt } from '@/shared/useAttempt';
import AccountFields from './AccountFields.vue';

/** The first manager of an empty product, through the link in the log. */
const { session } = useSession();
const router = useRouter();
const secret = window.location.hash.slice(1);

const own = reactive({ userName: '', displayName: '', password: '' });
const { trouble, isBusy, attempt } = useAttempt();
const isDue = computed(() => session.value?.isSetUpDue && secret);

const make = () =>
  attempt(async () => {
    await answer(http.POST('/api/v1/set-up', { body: { secret, ...own } }));
    await signIn(own.userName, own.password);
    await router.push('/desk');
  });
</script>

<template>
  <div class="m-auto w-full max-w-sm p-6">
    <h1 class="text-2xl">Make the first manager</h1>
    <form v-if="isDue" class="mt-4 grid gap-3" @submit.prevent="make">
      <p class="text-quiet">The manager makes the accounts of everybody else. This link works once.</p>
      <AccountFields v-model="own" />
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div><button type="submit" class="button button-main" :disabled="isBusy">Make the account</button></div>
    </form>
    <p v-else class="mt-4">
      This link was used, or is not the newest one in the server’s log.
      <RouterLink to="/sign-in">Sign in</RouterLink>
    </p>
  </div>
</template>
