<script setup lang="ts">
import { reactive } from 'vue';
import { useTeamActions, type Role } from '@/api/team';
import { useAttempt } from '@/shared/useAttempt';
import { ROLES } from './roles';

/** Makes an account for somebody without e-mail. */
const { add } = useTeamActions();
const { trouble, isBusy, attempt } = useAttempt();
const empty = { userName: '', displayName: '', role: 'TECHNICIAN' as Role, password: '' };
const person = reactive({ ...empty });

async function make(): Promise<void> {
  if (await attempt(() => add({ ...person }))) Object.assign(person, empty);
}
</script>

<template>
  <details>
    <summary class="cursor-pointer">Somebody without e-mail</summary>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="make">
      <label class="block"
        >Name <input v-model="person.displayName" class="field mt-0.5 block" required autocomplete="off"
      /></label>
      <label class="block"
        >User name <input v-model="person.userName" class="field mt-0.5 block" required autocomplete="off"
      /></label>
      <label class="block"
        >Role
        <select v-model="person.role" class="field mt-0.5 block">
          <option v-for="(words, value) in ROLES" :key="value" :value="value">{{ words.name }}</option>
        </select>
      </label>
      <label class="block"
        >Password, at least 10 characters
        <input
          v-model="person.password"
          class="field mt-0.5 block"
          type="password"
          minlength="10"
          required
          autocomplete="new-password"
        />
      </label>
      <button type="submit" class="button" :disabled="isBusy">Add a person</button>
    </form>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </details>
</template>
