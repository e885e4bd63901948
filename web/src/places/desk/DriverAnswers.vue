<script setup lang="ts">
import { useAlertWords } from '@/api/fleet';
import type { Schemas } from '@/api/client';
import type { AlertItem } from '@/api/live';
import { useSession } from '@/api/session';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** What a driver says of an alert, one press each: in the cold, from a phone, beside the vehicle. */
const props = defineProps<{ alert: AlertItem }>();

type Answer = NonNullable<Schemas['AnswerRequest']['answer']>;
const LOOKED: [Answer, string][] = [
  ['FLAT', 'It is flat'],
  ['HOT', 'It is hot'],
  ['SMOKE', 'There is smoke'],
  ['FINE', 'Nothing to be seen'],
  ['CANNOT_SEE', 'I cannot see it'],
];

const actions = useAlertWords();
const { account } = useSession();
const { at } = useClock();
const { trouble, isBusy, attempt } = useAttempt();

const say = (answer: Answer) =>
  attempt(() => actions.answer(props.alert.id, answer), 'Telling the Desk', { done: 'The Desk has it.' });
</script>

<template>
  <section :aria-labelledby="`answer-${alert.id}`">
    <h3 :id="`answer-${alert.id}`">Tell the Desk</h3>
    <p class="mt-1 font-medium">Read and answer only when you have stopped.</p>
    <div class="mt-2 grid grid-cols-2 gap-2">
      <button type="button" class="button min-h-13" :disabled="isBusy" @click="say('STOPPED')">
        I have stopped
      </button>
      <button
        type="button"
        class="button min-h-13 border-stop! text-stop!"
        :disabled="isBusy"
        @click="say('HELP')"
      >
        I need help
      </button>
    </div>
    <div role="group" :aria-labelledby="`looked-${alert.id}`" class="mt-3">
      <p :id="`looked-${alert.id}`">I have looked, from a distance where it may be hot:</p>
      <div class="mt-1 grid grid-cols-2 gap-2">
        <button
          v-for="[answer, words] in LOOKED"
          :key="answer"
          type="button"
          class="button min-h-13"
          :disabled="isBusy"
          @click="say(answer)"
        >
          {{ words }}
        </button>
      </div>
    </div>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <p v-else-if="alert.driver" class="mt-2">
      The Desk has it: {{ alert.driver.who === account?.userName ? 'you' : 'another driver' }}, at
      {{ at(alert.driver.at) }}, “{{ alert.driver.words }}”.
    </p>
  </section>
</template>
