<script setup lang="ts">
import { computed, ref } from 'vue';
import type { AlertItem } from '@/api/live';
import { URGENCIES, urgencyText, urgencyWords, type Urgency } from '@/shared/urgency';
import UrgencyMark from '@/shared/UrgencyMark.vue';
import { needsSomebody, together } from './queue';
import QueueRow from './QueueRow.vue';

/** What is open, grouped by what is to be done. */
const props = defineProps<{
  alerts: AlertItem[];
  /** What stands behind an alert of the queue, by its identity. */
  behind: Map<string, AlertItem[]>;
  chosen: string | undefined;
  mayChoose: boolean;
  isInFlood: boolean;
  depotOf: (vehicle: string) => string | null | undefined;
}>();

const checked = defineModel<Set<string>>('checked', { required: true });

const MOST_LINES = 200;
/** Of which instruction everything is shown, however much it is. */
const whole = ref(new Set<Urgency>());
const calls = computed(() => props.alerts.filter(needsSomebody));
const groups = computed(() =>
  URGENCIES.map((urgency) => {
    const all = props.alerts.filter((alert) => alert.urgency === urgency && !needsSomebody(alert));
    const { alerts, groups } = together(all, props.depotOf, props.isInFlood);
    // A long queue is read from its beginning; what says stop now is all of it there.
    const most = urgency === 'STOP_NOW' || whole.value.has(urgency) ? alerts.length : MOST_LINES;
    return { urgency, count: all.length, alerts: alerts.slice(0, most), left: alerts.length - most, groups };
  }).filter((group) => group.count),
);
const row = (alert: AlertItem) => ({
  alert,
  isChosen: props.chosen === alert.id,
  behind: props.behind.get(alert.id)?.length ?? 0,
  mayChoose: props.mayChoose,
  isChecked: checked.value.has(alert.id),
});

/** Every line in the order in which it stands. */
const lines = computed(() => [
  ...calls.value,
  ...groups.value.flatMap((group) => [...group.alerts, ...group.groups.flatMap((one) => one.alerts)]),
]);
let last: string | undefined;

/** Chooses one or lets it go; with Shift all from the last one to it. */
function choose(id: string, isRange: boolean): void {
  const next = new Set(checked.value);
  const isIn = !next.has(id);
  const ids = lines.value.map((alert) => alert.id);
  const [from, to] = [ids.indexOf(isRange && last ? last : id), ids.indexOf(id)];
  for (const one of ids.slice(Math.min(from, to), Math.max(from, to) + 1)) {
    if (isIn) next.add(one);
    else next.delete(one);
  }
  last = id;
  checked.value = next;
}
defineExpose({ choose });
</script>

<template>
  <section v-if="calls.length" aria-labelledby="calls">
    <h2 id="calls" class="flex justify-between px-5 pt-3 pb-1.5 text-stop">
      A driver needs somebody <span class="figure">{{ calls.length }}</span>
    </h2>
    <ul>
      <li v-for="alert in calls" :key="alert.id" class="border-t border-rule last:border-b">
        <QueueRow v-bind="row(alert)" @choose="choose(alert.id, $event)" />
      </li>
    </ul>
  </section>
  <section v-for="group in groups" :key="group.urgency" :aria-label="urgencyWords(group.urgency)">
    <h2 class="flex justify-between px-5 pt-3 pb-1.5" :class="urgencyText(group.urgency)">
      {{ urgencyWords(group.urgency) }} <span class="figure">{{ group.count }}</span>
    </h2>
    <ul>
      <li v-for="alert in group.alerts" :key="alert.id" class="border-t border-rule last:border-b">
        <QueueRow v-bind="row(alert)" @choose="choose(alert.id, $event)" />
      </li>
      <li v-if="group.left > 0" class="border-t border-rule px-5 py-2.5">
        <button type="button" class="link" @click="whole = new Set([...whole, group.urgency])">
          Show the other {{ group.left }}, less urgent or younger
        </button>
      </li>
      <li v-for="one in group.groups" :key="one.title" class="border-t border-rule last:border-b">
        <details :open="one.alerts.some((alert) => alert.id === chosen)">
          <summary class="flex cursor-pointer items-center gap-x-2.5 py-3 pr-4 pl-3 sm:py-2">
            <UrgencyMark :urgency="group.urgency" />
            <span class="grow font-medium">{{ one.title }}</span>
            <span class="figure text-quiet">{{ one.alerts.length }}</span>
          </summary>
          <ul>
            <li v-for="alert in one.alerts" :key="alert.id" class="border-t border-rule">
              <QueueRow v-bind="row(alert)" @choose="choose(alert.id, $event)" />
            </li>
          </ul>
        </details>
      </li>
    </ul>
  </section>
</template>
