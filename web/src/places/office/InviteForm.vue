<script setup lang="ts">
import { ref } from 'vue';
import { useTeamActions, type Role } from '@/api/team';
import { useAttempt } from '@/shared/useAttempt';
import { ROLES } from './roles';

/** Asks somebody by e-mail to join. */
const { invite } = useTeamActions();
const { trouble, isBusy, attempt } = useAttempt();
const email = ref('');
const role = ref<Role>('TECHNICIAN');
const said = ref('');

async function send(): Promise<void> {
  const to = email.value;
  said.value = '';
  if (await attempt(() => invite({ email: to, role: role.value }))) {
    said.value = `Written to ${to}. The link works once, for seven days.`;
    email.value = '';
  }
}
</script>

<template>
  <form @submit.prevent="send">
    <h2 class="text-base">Invite somebody</h2>
    <div class="mt-1 flex flex-wrap items-end gap-3">
      <label class="block"
        >E-mail address
        <input v-model="email" class="field mt-0.5 block w-72" type="email" required autocomplete="off" />
      </label>
      <label class="block"
        >As
        <select v-model="role" class="field mt-0.5 block w-80">
          <option v-for="(words, value) in ROLES" :key="value" :value="value">
            {{ words.name }}: {{ words.does }}
          </option>
        </select>
      </label>
      <button type="submit" class="button button-main" :disabled="isBusy">Invite</button>
    </div>
    <p role="status" class="mt-1">{{ said }}</p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </form>
</template>
