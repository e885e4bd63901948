<script setup lang="ts">
import { useDemoTexts } from '@/api/demo';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** The simulated service of text messages: what it would have sent to drivers, who answer here. */
const { texts, reply } = useDemoTexts();
const { at } = useClock();
const { trouble, isBusy, attempt } = useAttempt();
</script>

<template>
  <section class="mt-7 border-t border-rule pt-4" aria-labelledby="demo-texts">
    <h2 id="demo-texts" class="text-base">Text messages to drivers</h2>
    <p class="text-quiet">
      Nothing leaves from the demo. What a service would have sent stands here; answer as the driver would,
      and look at the alert on the Desk.
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
    <p v-if="texts && !texts.items.length" class="mt-1">
      None yet. Instruct O. Tansley, who drives GX-05, GT-15 and BV-03, from an alert on the Desk.
    </p>
    <article v-for="text in texts?.items" :key="text.id" class="mt-3 border-t border-rule pt-2">
      <h3 class="font-medium">
        To {{ text.driver }}, <span class="figure">{{ text.phone }}</span>, {{ at(text.at) }}
      </h3>
      <p class="mt-1 max-w-prose whitespace-pre-line">{{ text.text }}</p>
      <div
        role="group"
        :aria-label="`Answers of ${text.driver}, ${at(text.at)}`"
        class="mt-2 flex flex-wrap gap-2"
      >
        <button
          v-for="one in texts?.answers"
          :key="one.answer"
          type="button"
          class="button"
          :disabled="isBusy"
          @click="
            attempt(() => reply(text.id, one.answer), undefined, { done: `${text.driver} ${one.words}.` })
          "
        >
          {{ one.words }}
        </button>
      </div>
    </article>
  </section>
</template>
