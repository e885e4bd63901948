<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { reactive, ref } from 'vue';
import { answer, http, type Schemas } from '@/api/client';
import { useSession } from '@/api/session';

/** The people who may sign in. */
const { account } = useSession();
const queries = useQueryClient();
const { data, error } = useQuery({
  queryKey: ['accounts'],
  queryFn: () => answer(http.GET('/api/v1/accounts')),
});

type Role = Schemas['Account']['role'];
const ROLES: Record<Role, string> = {
  MANAGER: 'manager',
  TECHNICIAN: 'technician: handles alerts',
  DRIVER: 'driver',
  VIEWER: 'viewer: reads',
};
const empty = { userName: '', displayName: '', role: 'TECHNICIAN' as Role, password: '' };
const person = reactive({ ...empty });
const trouble = ref('');

async function attempt(work: () => Promise<unknown>): Promise<void> {
  trouble.value = '';
  try {
    await work();
    await queries.invalidateQueries({ queryKey: ['accounts'] });
  } catch (e) {
    trouble.value = (e as Error).message;
  }
}

const add = () =>
  attempt(async () => {
    await answer(http.POST('/api/v1/accounts', { body: { ...person } }));
    Object.assign(person, empty);
  });

const remove = (userName: string) =>
  attempt(() => answer(http.DELETE('/api/v1/accounts/{userName}', { params: { path: { userName } } })));
</script>

<template>
  <section aria-labelledby="team">
    <h2 id="team" class="text-base">Team</h2>
    <p v-if="error" role="alert" class="mt-1 text-next">{{ error.message }}</p>
    <table v-if="data" class="mt-2 w-full">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 font-normal">Name</th>
          <th scope="col" class="font-normal">User name</th>
          <th scope="col" class="font-normal">Role</th>
          <th scope="col"><span class="spoken">Take off</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="member in data.items" :key="member.userName" class="border-b border-rule">
          <th scope="row" class="py-1.5 font-medium">{{ member.displayName }}</th>
          <td class="figure">{{ member.userName }}</td>
          <td>{{ ROLES[member.role] }}</td>
          <td class="text-right">
            <button
              v-if="member.userName !== account?.userName"
              type="button"
              class="link"
              :aria-label="`Take ${member.displayName} off`"
              @click="remove(member.userName)"
            >
              Take off
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="add">
      <label
        >Name <input v-model="person.displayName" class="field mt-1" required autocomplete="off"
      /></label>
      <label
        >User name <input v-model="person.userName" class="field mt-1" required autocomplete="off"
      /></label>
      <label>
        Role
        <select v-model="person.role" class="field mt-1">
          <option v-for="(words, value) in ROLES" :key="value" :value="value">{{ words }}</option>
        </select>
      </label>
      <label>
        Password, at least 10 characters
        <input
          v-model="person.password"
          class="field mt-1"
          type="password"
          minlength="10"
          required
          autocomplete="new-password"
        />
      </label>
      <button type="submit" class="button">Add a person</button>
    </form>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
