<script setup lang="ts">
import { useInstructions, type Told } from '@/api/driver';
import { usePeople } from '@/api/people';
import { useClock } from '@/shared/time';

/** What drivers were told of an alert, and how far it came. */
const props = defineProps<{ alertId: string }>();

const { data } = useInstructions(() => props.alertId);
const { nameOf } = usePeople();
const { at } = useClock();

type Delivery = Told['deliveries'][number];
const CHANNELS: Record<Delivery['channel'], string> = {
  PAGE: 'their page',
  EMAIL: 'mail',
  TEXT: 'text message',
};
const STATES: Record<Delivery['state'], string> = {
  WAITING: 'waiting',
  SENT: 'sent',
  FAILED: 'failed',
  SEEN: 'seen',
  ANSWERED: 'answered',
};
</script>

<template>
  <section v-if="data?.told.length" aria-labelledby="told">
    <h3 id="told">Told to the driver</h3>
    <ul class="mt-1 grid gap-2">
      <li v-for="told in data.told" :key="told.at">
        <span class="font-medium">{{ nameOf(told.driver) }}</span>,
        <span class="figure">{{ at(told.at) }}</span> by {{ nameOf(told.by) }}
        <ul>
          <li v-for="one in told.deliveries" :key="one.channel">
            {{ CHANNELS[one.channel] }}:
            <span :class="one.state === 'FAILED' ? 'font-semibold text-stop' : 'font-medium'">{{
              STATES[one.state]
            }}</span><template v-if="one.at && one.state !== 'SENT'">
              <span class="figure">&ensp;{{ at(one.at) }}</span></template
            ><span v-if="one.trouble" class="block text-quiet">{{ one.trouble }}</span>
          </li>
        </ul>
        <details>
          <summary class="cursor-pointer text-quiet">The text as it was sent</summary>
          <blockquote :lang="told.language.toLowerCase()" class="mt-1 border-l-3 border-rule pl-3">
            <p v-for="line in told.text.split('\n')" :key="line">{{ line }}</p>
          </blockquote>
        </details>
      </li>
    </ul>
  </section>
</template>
