<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { ref } from 'vue';
import { useTexts } from '@/api/texts';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Text messages: what was written to whom, and the service that sends them for us. */
const { data, error, use, rotate, drop, stop, sendAgain } = useTexts();
const { trouble, isBusy, attempt } = useAttempt();
const { at } = useClock();
const { copy, copied } = useClipboard({ legacy: true });

const url = ref('');
const secret = ref('');
const STATES = {
  WAITING: 'waits for the service',
  SENT: 'handed over',
  FAILED: 'given up',
  KEPT: 'would have been sent',
};

const set = () => attempt(async () => (secret.value = await use(url.value)));
const renew = () => attempt(async () => (secret.value = await rotate()));
const end = () =>
  attempt(async () => {
    await stop();
    secret.value = '';
  });
</script>

<template>
  <div class="max-w-4xl">
    <p v-if="error && !data" role="alert" class="text-next">{{ error.message }}</p>
    <template v-else-if="data">
      <p v-if="data.isDemo">Nothing leaves from the demo. What would be sent stands below.</p>
      <template v-else>
        <p v-if="data.url">
          <span class="figure break-all">{{ data.url }}</span> is told of each message, signed with a secret
          that it and we know.
        </p>
        <p v-else class="max-w-3xl">
          Text messages are sent by a service of your choice. It is told of each by a POST with
          <span class="figure">id</span>, <span class="figure">to</span> and <span class="figure">text</span>,
          and with <span class="figure">Vivid-Timestamp</span> and
          <span class="figure">Vivid-Signature</span>: HMAC-SHA-256 over the time, a dot and the body. Who has
          a telephone in the Team gets messages once a service is set.
        </p>
        <div v-if="secret" role="status" class="mt-3 border-l-3 border-action pl-3">
          <p>The secret for the service; it is shown this once, so copy it now:</p>
          <p class="figure mt-1 break-all select-all">{{ secret }}</p>
        </div>
        <p v-if="secret" class="mt-2 pl-4">
          <button type="button" class="button" @click="copy(secret)">Copy it</button>
          <span role="status" class="ml-3">{{ copied ? 'It is in the clipboard.' : '' }}</span>
        </p>
        <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="set">
          <label class="w-full max-w-md"
            >Address of {{ data.url ? 'another service' : 'the service' }}
            <input
              v-model="url"
              type="url"
              class="field mt-1"
              placeholder="https://texts.example.org/send"
              maxlength="1000"
              required
              autocomplete="off"
          /></label>
          <button type="submit" class="button" :disabled="isBusy">Send by this service</button>
        </form>
        <p v-if="data.url" class="mt-3 flex flex-wrap gap-3">
          <button
            v-if="data.hasOldSecret"
            type="button"
            class="button"
            :disabled="isBusy"
            @click="attempt(drop)"
          >
            The service knows the new secret: drop the old one
          </button>
          <button v-else type="button" class="button" :disabled="isBusy" @click="renew">
            Make a new secret
          </button>
          <button type="button" class="button" :disabled="isBusy" @click="end">
            Send no more text messages
          </button>
        </p>
      </template>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>

      <h2 class="mt-6 text-base">What was written</h2>
      <p v-if="!data.items.length" class="text-quiet">
        Nothing yet. Instruct a driver who has a telephone in the Team, or let a <em>Stop now</em> call who is
        on duty.
      </p>
      <article v-for="text in data.items" :key="text.id" class="mt-3 border-t border-rule pt-3">
        <p class="flex flex-wrap gap-x-4 text-quiet">
          <span
            >to <span class="figure text-ink">{{ text.recipient }}</span></span
          >
          <span class="figure">{{ at(text.writtenAt) }}</span>
          <span :class="{ 'font-semibold text-stop': text.state === 'FAILED' }">{{
            STATES[text.state]
          }}</span>
          <button
            v-if="text.state === 'FAILED'"
            type="button"
            class="link"
            @click="attempt(() => sendAgain(text.id))"
          >
            Try again
          </button>
        </p>
        <p v-if="text.trouble" class="text-next">{{ text.trouble }}</p>
        <p class="mt-1 max-w-prose whitespace-pre-line">{{ text.text }}</p>
      </article>
    </template>
    <p v-else class="text-quiet">Fetching …</p>
  </div>
</template>
