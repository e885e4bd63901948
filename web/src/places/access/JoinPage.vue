<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { reactive } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { answer, http } from '@/api/client';
import { signIn, signOut, useSession } from '@/api/session';
import { ROLES } from '@/places/office/roles';
import { useAttempt } from '@/shared/useAttempt';
import AccountFields from './AccountFields.vue';

/** Somebody who was invited by mail makes their account. */
const router = useRouter();
const { account } = useSession();
const { trouble, isBusy, attempt } = useAttempt();
const secret = window.location.hash.slice(1);

const own = reactive({ userName: '', displayName: '', password: '' });

const { data: offer, error } = useQuery({
  queryKey: ['invitation', secret],
  queryFn: () => answer(http.POST('/api/v1/join/looks', { body: { secret } })),
  retry: false,
  staleTime: Infinity,
});

const join = () =>
  attempt(async () => {
    if (account.value) await signOut();
    await answer(
      http.POST('/api/v1/join', {
        body: { secret, ...own },
      }),
    );
    await signIn(own.userName, own.password);
    await router.push('/desk');
  });
</script>

<template>
  <div class="m-auto w-full max-w-sm p-6">
    <h1 class="text-2xl">Join the team</h1>
    <form v-if="offer" class="mt-4 grid gap-3" @submit.prevent="join">
      <p>
        You were asked as <strong>{{ ROLES[offer.role].name }}</strong>: {{ ROLES[offer.role].does }}. This
        link works once.
      </p>
      <p v-if="account" class="text-next">
        {{ account.displayName }} is signed in here and will be signed out.
      </p>
      <AccountFields v-model="own" />
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div><button type="submit" class="button button-main" :disabled="isBusy">Join</button></div>
    </form>
    <p v-else-if="error" role="alert" class="mt-4">
      {{ error.message }}
      <RouterLink to="/sign-in">Sign in</RouterLink>
    </p>
    <p v-else class="mt-4 text-quiet">Looking at your link …</p>
  </div>
</template>
