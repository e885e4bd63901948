<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { useAlerts } from './api/fleet';
import { usePeople } from './api/people';
import { useSession } from './api/session';
import { callOut } from './shared/alarm';
import { stopsNow } from './shared/title';

/** Says a new Stop now, and what a driver answers, wherever the reader is: by voice, and the first in the title. */
const { data: alerts } = useAlerts();
const { nameOf } = usePeople();
const { account } = useSession();
const news = ref('');
const stops = computed(() => alerts.value?.filter((alert) => alert.urgency === 'STOP_NOW'));
let known: Set<string> | undefined;

watch(
  stops,
  (now) => {
    if (!now) return;
    stopsNow.value = now.length;
    // What stood there when the page was opened is no news.
    const fresh = now.filter((alert) => known && !known.has(alert.id));
    if (fresh.length) {
      news.value = `Stop now. ${fresh.map((alert) => alert.summary).join(' ')}`;
      callOut(
        'Stop now',
        fresh.map((alert) => alert.summary).join(' '),
        fresh.map((alert) => alert.id).join(),
      );
    }
    known = new Set(now.map((alert) => alert.id));
  },
  { immediate: true },
);
/** What drivers said, by alert; whoever says it needs not hear it. */
const answers = computed(() =>
  alerts.value?.flatMap(({ id, vehicle, driver }) =>
    driver && driver.who !== account.value?.userName ? [{ key: `${id} ${driver.at}`, vehicle, driver }] : [],
  ),
);
let heard: Set<string> | undefined;
const said = ref<NonNullable<typeof answers.value>>([]);
/** In words, and once more where the name comes only then. */
const saidWords = computed(() =>
  said.value
    .map(({ vehicle, driver }) => `${vehicle ?? ''}: ${nameOf(driver.who)} ${driver.words}.`)
    .join(' '),
);

watch(
  answers,
  (now) => {
    if (!now) return;
    const fresh = now.filter((one) => heard && !heard.has(one.key));
    if (fresh.length) said.value = fresh;
    heard = new Set(now.map((one) => one.key));
  },
  { immediate: true },
);
onBeforeUnmount(() => (stopsNow.value = 0));
</script>

<template>
  <div>
    <p role="alert" class="spoken">{{ news }}</p>
    <p role="alert" class="spoken">{{ saidWords }}</p>
  </div>
</template>
