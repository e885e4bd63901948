<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { answer, http, type Schemas } from '@/api/client';
import { useTokens } from '@/api/team';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import { vStacked } from '@/shared/stacked';

/** Tokens by which receivers and other programs are let in. */
const { at } = useClock();
const queries = useQueryClient();
const { data, error } = useTokens();

const name = ref('');
const scope = ref<Schemas['Token']['scope']>('RECEIVER');
const receiver = ref('');
const made = ref<Schemas['NewToken']>();
const { trouble, attempt } = useAttempt();

const SCOPES = {
  RECEIVER: 'posts readings, nothing else',
  GATE: 'shows who may leave, nothing else',
  CALENDAR: 'tells a calendar what comes due, nothing else',
  MONITOR: 'reads the figures for monitoring, nothing else',
  MANAGER: 'may do all a manager may',
};

const calendarAddress = `${window.location.origin}/api/v1/calendars`;
const gateAddress = `${window.location.origin}/gate`;

const changing = (work: () => Promise<void>) =>
  attempt(async () => {
    await work();
    await queries.invalidateQueries({ queryKey: ['tokens'] });
  });

const make = () =>
  changing(async () => {
    made.value = await answer(
      http.POST('/api/v1/tokens', {
        body: {
          name: name.value,
          scope: scope.value,
          receiver: (scope.value === 'RECEIVER' && receiver.value.trim()) || null,
        },
      }),
    );
    name.value = '';
    receiver.value = '';
  });

const end = (id: number) =>
  changing(async () => {
    await answer(http.DELETE('/api/v1/tokens/{id}', { params: { path: { id: String(id) } } }));
    if (made.value?.token.id === id) made.value = undefined;
  });

// Browsers lend their clipboard to pages behind TLS alone; the older way goes everywhere.
const { copy, copied } = useClipboard({ legacy: true });
</script>

<template>
  <section aria-label="Tokens">
    <p v-if="error" role="alert" class="mt-1 text-next">{{ error.message }}</p>
    <table v-stacked v-if="data?.items.length" class="mt-2 w-full">
      <thead class="text-quiet">
        <tr class="border-b border-rule">
          <th scope="col" class="py-1 font-normal">Name</th>
          <th scope="col" class="font-normal">What it may do</th>
          <th scope="col" class="font-normal">Belongs to</th>
          <th scope="col" class="font-normal">Made</th>
          <th scope="col"><span class="spoken">End it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="token in data.items" :key="token.id" class="border-b border-rule">
          <th scope="row" class="py-1.5 font-medium">{{ token.name }}</th>
          <td>
            {{ SCOPES[token.scope]
            }}<template v-if="token.receiver"
              >, as <span class="figure">{{ token.receiver }}</span></template
            >
          </td>
          <td>{{ token.owner }}</td>
          <td class="figure">{{ at(token.createdAt) }}</td>
          <td class="text-right">
            <button
              type="button"
              class="link"
              :aria-label="`End the token ${token.name}`"
              @click="end(token.id)"
            >
              End it
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="data" class="mt-1 text-quiet">
      There are none yet. Each receiver or program gets one of its own.
    </p>

    <div v-if="made" role="status" class="mt-3 border-l-3 border-action pl-3">
      <p>The token for {{ made.token.name }}; it is shown this once, so copy it now:</p>
      <p class="figure mt-1 break-all select-all">{{ made.secret }}</p>
      <p v-if="made.token.scope === 'CALENDAR'" class="mt-1">
        Subscribe to this in the calendar; whoever has the link sees what comes due:
        <a class="figure break-all" :href="`/api/v1/calendars/${made.secret}`"
          >{{ calendarAddress }}/{{ made.secret }}</a
        >. A new link is another token; ending this one ends its link.
      </p>
      <p v-if="made.token.scope === 'GATE'" class="mt-1">
        Open this at the gate:
        <a class="figure break-all" :href="`/gate#${made.secret}`">{{ gateAddress }}#{{ made.secret }}</a>
      </p>
    </div>
    <p v-if="made" class="mt-2 pl-4">
      <button type="button" class="button" @click="copy(made.secret)">Copy it</button>
      <span role="status" class="ml-3">{{ copied ? 'It is in the clipboard.' : '' }}</span>
    </p>

    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="make">
      <label class="w-64">
        Name
        <input
          v-model="name"
          class="field mt-1"
          placeholder="such as: gate receiver"
          required
          maxlength="120"
          autocomplete="off"
        />
      </label>
      <label>
        What it may do
        <select v-model="scope" class="field mt-1">
          <option v-for="(words, value) in SCOPES" :key="value" :value="value">{{ words }}</option>
        </select>
      </label>
      <label v-if="scope === 'RECEIVER'" class="w-64">
        Receiver’s name, if its readings do not say it
        <input
          v-model="receiver"
          class="field mt-1"
          placeholder="such as: cab-GX-05"
          maxlength="60"
          autocomplete="off"
        />
      </label>
      <button type="submit" class="button">Make a token</button>
    </form>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
