<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useMail, useTeamActions } from '@/api/team';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** The mail that was written; where no mail server is set, it is read here and handed on. */
const { data, error } = useMail();
const { sendAgain } = useTeamActions();
const { trouble, attempt } = useAttempt();
const { at } = useClock();
const STATES = {
  WAITING: 'waits for the mail server',
  SENT: 'sent',
  FAILED: 'given up',
  KEPT: 'to be handed on by you',
};

/** Text with its links to be followed. */
function pieces(text: string): { text: string; isLink: boolean }[] {
  return text.split(/(https?:\/\/\S+)/).map((piece) => ({ text: piece, isLink: piece.startsWith('http') }));
}
</script>

<template>
  <div class="max-w-4xl">
    <p v-if="data && !data.isSending">
      No mail leaves from here: this is the demo, or no mail server is set. What would be sent stands below;
      hand it on yourself.
    </p>
    <p v-if="error" role="alert" class="mt-2 text-next">{{ error.message }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <p v-if="data && !data.items.length" class="mt-4 text-quiet">
      Nothing was written yet. Invite somebody to the
      <RouterLink :to="{ name: 'team' }">Team</RouterLink>.
    </p>
    <article v-for="mail in data?.items" :key="mail.id" class="mt-4 border-t border-rule pt-3">
      <h2 class="text-base">{{ mail.subject }}</h2>
      <p class="flex flex-wrap gap-x-4 text-quiet">
        <span
          >to <span class="figure text-ink">{{ mail.recipient }}</span></span
        >
        <span>{{ at(new Date(mail.writtenAt)) }}</span>
        <span :class="{ 'text-stop': mail.state === 'FAILED' }">{{ STATES[mail.state] }}</span>
        <button
          v-if="mail.state === 'FAILED'"
          type="button"
          class="link"
          @click="attempt(() => sendAgain(mail.id))"
        >
          Try again
        </button>
      </p>
      <p v-if="mail.trouble" class="text-next">The mail server said: {{ mail.trouble }}</p>
      <p v-if="mail.text" class="mt-2 max-w-prose break-words whitespace-pre-line">
        <template v-for="(piece, index) in pieces(mail.text)" :key="index"
          ><a v-if="piece.isLink" :href="piece.text" rel="noreferrer">{{ piece.text }}</a
          ><template v-else>{{ piece.text }}</template></template
        >
      </p>
    </article>
  </div>
</template>
