<script setup lang="ts">
import { computed } from 'vue';
import type { AlertItem } from '@/api/live';
import { useSession } from '@/api/session';
import { URGENCIES, urgencyText, urgencyWords } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { byWeather, needsSomebody } from './queue';
import QueueLine from './QueueLine.vue';

/** What is open, grouped by what is to be done. */
const props = defineProps<{
  alerts: AlertItem[];
  chosen: string | undefined;
  depotOf: (vehicle: string) => string | null | undefined;
}>();

const { isDriver } = useSession();
/** Whoever called reads on what to do, where it stood before. */
const isCall = (alert: AlertItem) => !isDriver.value && needsSomebody(alert);
const calls = computed(() => props.alerts.filter(isCall));
const groups = computed(() =>
  URGENCIES.map((urgency) => {
    const all = props.alerts.filter((alert) => alert.urgency === urgency && !isCall(alert));
    return { urgency, count: all.length, ...byWeather(all, props.depotOf) };
  }).filter((group) => group.count),
);
</script>

<template>
  <section v-if="calls.length" aria-labelledby="calls">
    <h2 id="calls" class="flex justify-between px-5 pt-3 pb-1.5 text-stop">
      A driver needs somebody <span class="figure">{{ calls.length }}</span>
    </h2>
    <ul>
      <li v-for="alert in calls" :key="alert.id" class="border-t border-rule last:border-b">
        <QueueLine :alert="alert" :is-chosen="chosen === alert.id" />
      </li>
    </ul>
  </section>
  <section v-for="group in groups" :key="group.urgency" :aria-label="urgencyWords(group.urgency)">
    <h2 class="flex justify-between px-5 pt-3 pb-1.5" :class="urgencyText(group.urgency)">
      {{ urgencyWords(group.urgency) }} <span class="figure">{{ group.count }}</span>
    </h2>
    <ul>
      <li v-for="alert in group.alerts" :key="alert.id" class="border-t border-rule last:border-b">
        <QueueLine :alert="alert" :is-chosen="chosen === alert.id" />
      </li>
      <li v-for="place in group.cold" :key="place.depot" class="border-t border-rule last:border-b">
        <details :open="place.alerts.some((alert) => alert.id === chosen)">
          <summary class="flex cursor-pointer items-center gap-x-2.5 py-3 pr-5 pl-5 sm:py-2">
            <UrgencyMark urgency="PLAN" />
            <span class="grow font-medium">Cold weather at {{ place.depot }}</span>
            <span class="figure text-quiet">{{ place.alerts.length }} vehicles</span>
          </summary>
          <ul>
            <li v-for="alert in place.alerts" :key="alert.id" class="border-t border-rule">
              <QueueLine :alert="alert" :is-chosen="chosen === alert.id" />
            </li>
          </ul>
        </details>
      </li>
    </ul>
  </section>
</template>
