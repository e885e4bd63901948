<script setup lang="ts">
import { ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { loadSession, signIn, useSession } from '@/api/session';
import { wayBack } from '@/router';
import { useAttempt } from '@/shared/useAttempt';
import { wordsOf } from '@/shared/vocabulary';

const { session } = useSession();
const route = useRoute();
const router = useRouter();

const userName = ref('');
const password = ref('');
const { trouble, isBusy, attempt } = useAttempt();

const enter = (name: string, secret: string) =>
  attempt(async () => {
    if (!session.value) await loadSession();
    await signIn(name, secret);
    await router.push(wayBack(route));
  });
</script>

<template>
  <div class="m-auto w-full max-w-sm p-6">
    <h1 class="text-2xl">Vivid Caravan</h1>
    <p class="mt-1 text-quiet">Tyre pressure and temperature of your fleet, and what to do about it.</p>

    <form class="mt-6 grid gap-3" @submit.prevent="enter(userName, password)">
      <label>
        User name
        <input v-model="userName" class="field mt-1" autocomplete="username" autocapitalize="none" required />
      </label>
      <label>
        Password
        <input
          v-model="password"
          class="field mt-1"
          type="password"
          autocomplete="current-password"
          required
        />
      </label>
      <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
      <div><button type="submit" class="button button-main" :disabled="isBusy">Sign in</button></div>
    </form>

    <section v-if="session?.demoAccounts.length" class="mt-8 border-t border-rule pt-4">
      <h2>This is the demo: the invented Larkmoor fleet</h2>
      <p class="mt-1 text-quiet">Come in as</p>
      <ul class="mt-2 grid grid-cols-2 gap-2">
        <li v-for="offer in session.demoAccounts" :key="offer.userName">
          <button
            type="button"
            class="button w-full text-left"
            :disabled="isBusy"
            @click="enter(offer.userName, offer.password)"
          >
            {{ offer.displayName }}<span class="block text-quiet">{{ wordsOf('people', offer.role) }}</span>
          </button>
        </li>
      </ul>
    </section>
    <p v-if="session?.isSetUpDue" class="mt-6 border-l-3 border-action pl-3">
      There is no manager yet. Open the set-up link that stands in the server’s log to make the first manager.
    </p>
  </div>
</template>
