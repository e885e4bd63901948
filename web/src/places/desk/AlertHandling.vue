<script setup lang="ts">
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import { RouterLink } from 'vue-router';
import type { Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { usePeople } from '@/api/people';
import AlertButtons from './AlertButtons.vue';
import { fits } from './queue';

/** What this person may do to an alert, and to those that stand behind it. */
const props = defineProps<{
  item: AlertItem;
  behind: AlertItem[];
  hasKeys: boolean;
  isRunSoft: boolean;
  mayHandle: boolean;
  trouble: string;
}>();
const emit = defineEmits<{ act: [what: Act]; instruct: [] }>();

const { nameOf } = usePeople();
const { t } = useI18n();
const isFresh = computed(() => props.item.state === 'NEW' || props.item.state === 'ACKNOWLEDGED');
/** Why it is not to be put aside, if it is not. */
const held = computed(() =>
  props.item.urgency === 'STOP_NOW'
    ? t('desk.heldStop')
    : props.isRunSoft
      ? t('desk.heldRunSoft')
      : props.item.kind === 'REPORTED_FAULT' && props.item.urgency !== 'PLAN'
        ? t('desk.heldReport')
        : '',
);
</script>

<template>
  <div>
    <AlertButtons
      v-if="mayHandle"
      :alerts="[item, ...behind]"
      :is-held="Boolean(held)"
      :has-keys="hasKeys"
      @act="emit('act', $event)"
    >
      <button v-if="item.state !== 'CLOSED'" type="button" class="button" @click="emit('instruct')">
        Instruct driver <kbd v-if="hasKeys" class="key ml-1">I</kbd>
      </button>
      <button v-if="fits('CORRECT', item)" type="button" class="button" @click="emit('act', 'CORRECT')">
        {{ $t('desk.correctReport') }}
      </button>
    </AlertButtons>
    <p v-else-if="item.state !== 'CLOSED'" class="text-quiet">
      Your role reads alerts; a manager or technician handles them.
    </p>
    <p v-if="item.assignee" class="mt-2">{{ nameOf(item.assignee) }} deals with it.</p>
    <p v-if="item.hasJob" class="mt-2">
      The workshop has a job for it:
      <RouterLink :to="{ name: 'repair', params: { id: item.id } }">what is to be done</RouterLink>.
    </p>
    <p v-if="behind.length" class="mt-2">
      It stands for {{ behind.length }} more of the same cause; what is done to it is done to them.
    </p>
    <p v-if="mayHandle && isFresh && held" class="mt-2 text-quiet">{{ held }}</p>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </div>
</template>
