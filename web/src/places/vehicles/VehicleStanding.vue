<script setup lang="ts">
import { ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useDescribing } from '@/api/describe';
import type { VehicleItem } from '@/api/fleet';
import { useSession } from '@/api/session';
import AppDialog from '@/shared/AppDialog.vue';
import { stateWords, useWords } from '@/shared/position';
import { useAttempt } from '@/shared/useAttempt';

/** Where a vehicle stands, how it is used, and what can be changed about that. */
const props = defineProps<{ vehicle: VehicleItem }>();

const { isManager, mayHandleAlerts } = useSession();
const { use, putInState } = useDescribing();
const isAsking = ref(false);
const reason = ref('');
const { trouble, attempt } = useAttempt();

async function change(how: () => Promise<unknown>): Promise<void> {
  if (await attempt(how)) {
    isAsking.value = false;
    reason.value = '';
  }
}
const chooseUse = (event: Event) =>
  change(() => use(props.vehicle.ref, (event.target as HTMLSelectElement).value as VehicleItem['use']));
const takeOut = () =>
  change(() => putInState(props.vehicle.ref, { state: 'OUT_OF_SERVICE', reason: reason.value }));
const takeBack = () => change(() => putInState(props.vehicle.ref, { state: 'IN_SERVICE', reason: null }));
</script>

<template>
  <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 print:hidden">
    <span v-if="vehicle.state !== 'IN_SERVICE'" class="font-medium text-next">
      {{ stateWords(vehicle.state) }}{{ vehicle.stateReason ? `: ${vehicle.stateReason}` : '' }}
    </span>
    <label v-if="vehicle.uses.length && mayHandleAlerts" class="flex items-center gap-2">
      Used
      <select class="field w-auto" :value="vehicle.use" @change="chooseUse">
        <option v-for="one in ['ROAD', ...vehicle.uses]" :key="one" :value="one">{{ useWords(one) }}</option>
      </select>
    </label>
    <template v-if="isManager">
      <RouterLink class="way" :to="{ name: 'redescribe', params: { vehicleRef: vehicle.ref } }"
        >Change what it looks like</RouterLink
      >
      <button v-if="vehicle.state === 'OUT_OF_SERVICE'" type="button" class="link" @click="takeBack">
        Back into service
      </button>
      <button v-else-if="vehicle.state === 'IN_SERVICE'" type="button" class="link" @click="isAsking = true">
        Take out of service
      </button>
    </template>
    <p v-if="trouble && !isAsking" role="alert" class="basis-full text-stop">{{ trouble }}</p>
    <AppDialog :is-open="isAsking" :title="`Take ${vehicle.ref} out of service`" @close="isAsking = false">
      <form class="mt-3 grid gap-4" @submit.prevent="takeOut">
        <p class="text-quiet">
          Its readings are kept and judged, and nothing is raised for it until it is back in service.
        </p>
        <label>Why <input v-model="reason" class="field mt-1" maxlength="500" /></label>
        <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
        <div class="flex gap-2">
          <button type="submit" class="button button-main">Take it out</button>
          <button type="button" class="button" @click="isAsking = false">Leave it in service</button>
        </div>
      </form>
    </AppDialog>
  </div>
</template>
