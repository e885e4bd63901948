<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { useTeam, useTeamActions, useTokens, type TeamMember } from '@/api/team';
import { useClock } from '@/shared/time';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { useAttempt } from '@/shared/useAttempt';
import AddByHand from './AddByHand.vue';
import DriverVehicles from './DriverVehicles.vue';
import PhoneOf from './PhoneOf.vue';
import InviteForm from './InviteForm.vue';
import { ROLES } from './roles';
import { vStacked } from '@/shared/stacked';

/** The people who may sign in, and those who were asked to. */
const { account } = useSession();
const { data, error } = useTeam();
const { remove, withdraw } = useTeamActions();
const { trouble, attempt } = useAttempt();
const { at } = useClock();

const present = computed(() => data.value?.items.filter((one) => !one.removedAt) ?? []);
const gone = computed(() => data.value?.items.filter((one) => one.removedAt) ?? []);
const toRemove = ref<string>();
const { data: tokens } = useTokens();
const tokensOf = (member: TeamMember) =>
  tokens.value?.items.filter((token) => token.owner === member.userName) ?? [];

const takeOff = (member: TeamMember, then: 'END' | 'PASS_ON') =>
  attempt(async () => {
    await remove(member.userName, then);
    toRemove.value = undefined;
  });
</script>

<template>
  <section aria-label="Team">
    <p v-if="error" role="alert" class="mt-1 text-next">{{ error.message }}</p>
    <SidewaysScroll v-if="data" label="The team">
      <table v-stacked class="mt-2 w-full [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">Name</th>
            <th scope="col" class="font-normal max-sm:hidden">User name</th>
            <th scope="col" class="font-normal">Role</th>
            <th scope="col" class="font-normal">Text messages</th>
            <th scope="col" class="font-normal">Sees</th>
            <th scope="col"><span class="spoken">Take off</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="member in present" :key="member.userName">
            <tr class="border-b border-rule">
              <th scope="row" class="py-1.5 align-top font-medium">
                {{ member.displayName }}
                <span class="figure block font-normal text-quiet sm:hidden">{{ member.userName }}</span>
              </th>
              <td class="figure max-sm:hidden">{{ member.userName }}</td>
              <td>{{ ROLES[member.role].name }}</td>
              <td><PhoneOf :member="member" /></td>
              <td>
                <DriverVehicles v-if="member.role === 'DRIVER'" :driver="member" />
                <span v-else class="text-quiet">every vehicle</span>
              </td>
              <td class="text-right">
                <template v-if="member.userName !== account?.userName">
                  <button
                    v-if="toRemove !== member.userName"
                    type="button"
                    class="link"
                    :aria-label="`Take ${member.displayName} off`"
                    @click="toRemove = member.userName"
                  >
                    Take off
                  </button>
                </template>
              </td>
            </tr>
            <tr v-if="toRemove === member.userName" class="border-b border-rule">
              <td colspan="6" class="py-2">
                <p class="max-w-prose whitespace-normal">
                  <template v-if="tokensOf(member).length">
                    {{ member.displayName }} will be out at once. What comes in by
                    {{
                      tokensOf(member)
                        .map((token) => token.name)
                        .join(', ')
                    }}
                    is let in no more, unless you take
                    {{ tokensOf(member).length === 1 ? 'that token' : 'these tokens' }} over.
                  </template>
                  <template v-else
                    >{{ member.displayName }} will be out at once; records go on naming them.</template
                  >
                </p>
                <div class="mt-2 flex flex-wrap items-center gap-3">
                  <button type="button" class="button" @click="takeOff(member, 'END')">
                    {{
                      tokensOf(member).length
                        ? `Take ${member.displayName} off and end the tokens`
                        : `Take ${member.displayName} off`
                    }}
                  </button>
                  <button
                    v-if="tokensOf(member).length"
                    type="button"
                    class="button"
                    @click="takeOff(member, 'PASS_ON')"
                  >
                    Take {{ member.displayName }} off, the tokens are mine
                  </button>
                  <button type="button" class="link" @click="toRemove = undefined">Keep</button>
                </div>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </SidewaysScroll>
    <p v-if="gone.length" class="mt-2 text-quiet">
      No longer on the team, still named in the records:
      {{ gone.map((one) => `${one.displayName} (${one.userName})`).join(', ') }}.
    </p>
    <template v-if="data?.invitations.length">
      <h2 class="mt-4 text-base">Asked to join</h2>
      <ul class="mt-1">
        <li
          v-for="one in data.invitations"
          :key="one.id"
          class="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5"
        >
          <span class="figure">{{ one.email }}</span>
          <span>as {{ ROLES[one.role].name }}</span>
          <span class="text-quiet">{{
            one.isExpired ? 'the link has ended' : `the link works until ${at(new Date(one.expiresAt))}`
          }}</span>
          <button
            type="button"
            class="link ml-auto"
            :aria-label="`Withdraw the invitation to ${one.email}`"
            @click="attempt(() => withdraw(one.id))"
          >
            {{ one.isExpired ? 'Forget it' : 'Withdraw' }}
          </button>
        </li>
      </ul>
    </template>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <InviteForm class="mt-4" />
    <p class="mt-2"><RouterLink class="way" :to="{ name: 'mail' }">Mail that was written</RouterLink></p>
    <AddByHand class="mt-4" />
  </section>
</template>
