<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useDuty } from '@/api/duty';
import { usePeople } from '@/api/people';
import { useSession } from '@/api/session';
import NumberField from '@/shared/NumberField.vue';
import { useAttempt } from '@/shared/useAttempt';
import DepotDuty from './DepotDuty.vue';

/** Who is on duty when, and who is called when nobody acknowledges a stop now. */
const { data, error, set, setSettings } = useDuty();
const { isManager } = useSession();
const { handlers } = usePeople();
const { trouble, isBusy, attempt } = useAttempt();

const chosen = ref('');
const depot = computed(
  () => data.value?.depots.find((one) => one.depot === chosen.value) ?? data.value?.depots[0],
);
const wait = ref<number | null>(null);
const digest = ref('');
watch(
  () => data.value && [data.value.waitMinutes, data.value.digestHour],
  () => {
    wait.value = data.value?.waitMinutes ?? null;
    digest.value = String(data.value?.digestHour ?? '');
  },
  { immediate: true },
);
const hour = computed(() => (digest.value === '' ? null : Number(digest.value)));
const isSame = computed(
  () => wait.value === data.value?.waitMinutes && hour.value === (data.value?.digestHour ?? null),
);
const HOURS = Array.from({ length: 24 }, (_, i) => i);
const hourWords = (at: number) => `${String(at).padStart(2, '0')}:00`;
const store = () => attempt(() => setSettings({ waitMinutes: wait.value, digestHour: hour.value }));
</script>

<template>
  <p v-if="error && !data" role="alert" class="text-next">{{ error.message }}</p>
  <div v-else-if="data" class="max-w-3xl">
    <p>
      A <em>Stop now</em> calls the first on duty at once, at any hour. Who has not acknowledged it in time is
      followed by the next on the list, and then by all managers. Where nobody is on duty, all managers are
      called.
    </p>
    <form v-if="isManager" class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="store">
      <NumberField
        v-model="wait"
        class="w-56"
        label="Each has so long to answer"
        unit="min"
        :least="1"
        :most="120"
        is-whole
      />
      <label
        >What is not urgent is mailed to managers
        <select v-model="digest" class="field mt-1">
          <option value="">never</option>
          <option v-for="at in HOURS" :key="at" :value="String(at)">
            every day at {{ hourWords(at) }}, by the depot’s clock
          </option>
        </select>
      </label>
      <button type="submit" class="button" :disabled="isBusy || isSame">Store</button>
    </form>
    <p v-else class="mt-3">
      Each has {{ data.waitMinutes }} minutes to answer.
      <template v-if="typeof data.digestHour === 'number'">
        What is not urgent is mailed to managers every day at {{ hourWords(data.digestHour) }}.</template
      >
    </p>
    <p v-if="trouble" role="alert" class="mt-1 text-stop">{{ trouble }}</p>

    <p v-if="!depot" class="mt-5">
      There is no depot yet. <RouterLink :to="{ name: 'depots' }">Add one</RouterLink> first.
    </p>
    <template v-else>
      <label v-if="data.depots.length > 1" class="mt-5 block w-64">
        Depot
        <select v-model="chosen" class="field mt-1">
          <option v-for="(one, i) in data.depots" :key="one.depot" :value="i ? one.depot : ''">
            {{ one.depot }}
          </option>
        </select>
      </label>
      <DepotDuty
        :key="depot.depot"
        class="mt-4"
        :duty="depot"
        :people="handlers"
        :may-change="isManager"
        :set="set"
      />
    </template>
  </div>
  <p v-else class="text-quiet">Fetching …</p>
</template>
