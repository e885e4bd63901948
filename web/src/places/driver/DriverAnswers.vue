<script setup lang="ts">
import { useDriverWords, type DriverAnswer, type DriverTask } from '@/api/driver';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import PhotoButton from './PhotoButton.vue';

/** What a driver says of an alert, one press each: in the cold, from a phone, beside the vehicle. */
const props = defineProps<{ task: DriverTask; words: Record<string, string> }>();

const LOOKED: DriverAnswer[] = ['FLAT', 'HOT', 'SMOKE', 'FINE', 'CANNOT_SEE'];

const { say } = useDriverWords();
const { at } = useClock();
const { trouble, isBusy, attempt } = useAttempt();

const words = (key: string) => props.words[key] ?? key;
const answer = (said: DriverAnswer) =>
  attempt(() => say(props.task.alert, said), words('sending'), {
    done: `${words('sent')} ${words(`said.${said}`)}.`,
  });
</script>

<template>
  <section :aria-label="`${words('tell')}: ${task.instruction.where}`">
    <h2>{{ words('tell') }}</h2>
    <div class="mt-2 grid grid-cols-2 gap-2">
      <button type="button" class="button min-h-14" :disabled="isBusy" @click="answer('STOPPED')">
        {{ words('said.STOPPED') }}
      </button>
      <button
        type="button"
        class="button min-h-14 border-stop! text-stop!"
        :disabled="isBusy"
        @click="answer('HELP')"
      >
        {{ words('said.HELP') }}
      </button>
    </div>
    <div role="group" :aria-labelledby="`looked-${task.alert}`" class="mt-3">
      <p :id="`looked-${task.alert}`">{{ words('looked') }}</p>
      <div class="mt-1 grid grid-cols-2 gap-2">
        <button
          v-for="one in LOOKED"
          :key="one"
          type="button"
          class="button min-h-14"
          :disabled="isBusy"
          @click="answer(one)"
        >
          {{ words(`said.${one}`) }}
        </button>
      </div>
    </div>
    <PhotoButton class="mt-3" :alert="task.alert" :words="props.words" :label="words('photo')" />
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
    <p v-else-if="task.said" class="mt-2 border-l-3 border-action pl-3">
      <span class="font-medium">{{ words('sent') }}</span>
      {{ words(task.said.isOwn ? 'lastAnswer' : 'otherAnswer') }} {{ at(task.said.at) }}: “{{
        words(`said.${task.said.answer}`)
      }}”
    </p>
  </section>
</template>
