<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/api/client';
import { useClock } from '@/shared/time';
import { kindWords, urgencyWords } from '@/shared/urgency';
import { usePeople } from '@/api/people';

/** What became of an alert so far, the latest first. */
const props = defineProps<{
  record: Schemas['AlertDetail']['record'];
  canBeTakenBack: boolean;
  alertId: string;
}>();
const emit = defineEmits<{ takeBack: [] }>();

const { nameOf } = usePeople();
const { at } = useClock();

const CHANGES: Record<Schemas['Entry']['change'], string> = {
  OPENED: 'opened',
  GREW: 'grew',
  RETURNED: 'came back',
  RECOVERED: 'back in band',
  ACKNOWLEDGED: 'acknowledged',
  TAKEN_IN_HAND: 'taken in hand',
  SHELVED: 'put aside',
  UNSHELVED: 'its time aside is over',
  ASSIGNED: 'given',
  COUNTED_WITH: 'counted as one cause',
  STANDS_ALONE: 'stands alone again',
  REOPENED: 'opened again',
  JOB_RAISED: 'job for the workshop',
  JOB_ENDED: 'job ended',
  TAKEN_BACK: 'the last step taken back',
  NOTED: 'note',
  ESCALATED: 'called',
  INSTRUCTED: 'driver told what to do',
  DRIVER_READ: 'read',
  DRIVER_PHOTO: 'photograph',
  DRIVER_STOPPED: 'told from beside the vehicle',
  DRIVER_LOOKED: 'told from beside the vehicle',
  DRIVER_NEEDS_HELP: 'told from beside the vehicle',
  PROVEN: 'closed: the readings prove it',
  CLOSED: 'closed',
  WITHDRAWN: 'withdrawn',
  TYRE_LEFT: 'closed: the tyre left the wheel',
  CORRECTED: 'report corrected',
};
/** What is only said changes nothing, so that what was done before can still be taken back. */
const SAYING: Schemas['Entry']['change'][] = [
  'NOTED',
  'DRIVER_READ',
  'DRIVER_PHOTO',
  'ESCALATED',
  'DRIVER_STOPPED',
  'DRIVER_LOOKED',
  'DRIVER_NEEDS_HELP',
];
const latest = computed(() => [...props.record].reverse());
const lastDone = computed(() => latest.value.find((entry) => !SAYING.includes(entry.change)));
const STEPS: Schemas['Entry']['change'][] = ['OPENED', 'GREW', 'RETURNED'];
</script>

<template>
  <section>
    <h3>So far</h3>
    <ol class="mt-1 grid gap-1">
      <li v-for="(entry, i) in latest" :key="i" class="grid grid-cols-[auto_1fr] gap-x-2.5">
        <span class="figure text-quiet">{{ at(entry.at) }}</span>
        <span>
          {{ CHANGES[entry.change]
          }}<template v-if="STEPS.includes(entry.change)"
            >: {{ kindWords(entry.kind) }}, {{ urgencyWords(entry.urgency).toLowerCase() }}</template
          ><template v-if="entry.who"> by {{ nameOf(entry.who) }}</template
          ><a
            v-if="entry.change === 'DRIVER_PHOTO'"
            :href="`/api/v1/alerts/${alertId}/photos/${entry.note}`"
            target="_blank"
            class="mt-1 block"
            ><img
              :src="`/api/v1/alerts/${alertId}/photos/${entry.note}`"
              :alt="`Photograph by ${nameOf(entry.who)}, ${at(entry.at)}`"
              class="max-h-48 border border-rule"
              loading="lazy" /></a
          ><span v-else-if="entry.note" class="block text-quiet">{{ entry.note }}</span
          ><button
            v-if="canBeTakenBack && entry === lastDone"
            type="button"
            class="link block"
            @click="emit('takeBack')"
          >
            Take this back
          </button>
        </span>
      </li>
    </ol>
  </section>
</template>
