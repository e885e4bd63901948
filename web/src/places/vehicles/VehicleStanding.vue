<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useDescribing } from '@/api/describe';
import type { VehicleItem } from '@/api/fleet';
import { useOutages } from '@/api/outages';
import { useSession } from '@/api/session';
import { stateWords, useWords } from '@/shared/position';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';
import OutageDialog, { type Out } from './OutageDialog.vue';

/** Where a vehicle stands, how it is used, and what can be changed about that. */
const props = defineProps<{ vehicle: VehicleItem }>();

const { isManager, mayHandleAlerts } = useSession();
const { use, putInState } = useDescribing();
const { outages, begin, end } = useOutages(() => props.vehicle.ref);
const isAsking = ref(false);
const { trouble, isBusy, attempt } = useAttempt();
const { at } = useClock();

const parts = computed(() => outages.value.filter(({ axle, position }) => axle || position));
const endOfAll = computed(() => outages.value.find(({ axle, position }) => !axle && !position)?.until);

async function change(how: () => Promise<unknown>): Promise<void> {
  if (await attempt(how)) isAsking.value = false;
}
const chooseUse = (event: Event) =>
  change(() => use(props.vehicle.ref, (event.target as HTMLSelectElement).value as VehicleItem['use']));
const takeOut = ({ axle, position, reason, until }: Out) =>
  change(() =>
    axle || position
      ? begin({ axle: axle ?? null, position: position ?? null, reason, until })
      : putInState(props.vehicle.ref, { state: 'OUT_OF_SERVICE', reason, until }),
  );
const takeBack = () =>
  change(() => putInState(props.vehicle.ref, { state: 'IN_SERVICE', reason: null, until: null }));
</script>

<template>
  <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 print:hidden">
    <span v-if="vehicle.state !== 'IN_SERVICE'" class="font-medium text-next">
      {{ stateWords(vehicle.state) }}{{ vehicle.stateReason ? `: ${vehicle.stateReason}` : ''
      }}<template v-if="endOfAll">, until {{ at(endOfAll) }}</template>
    </span>
    <span v-if="vehicle.judgedAgain" class="basis-full" role="status">{{
      $t('vehicles.judgedAgain', {
        from: at(vehicle.judgedAgain.from),
        share: Math.round(vehicle.judgedAgain.share * 100),
      })
    }}</span>
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
    </template>
    <button
      v-if="vehicle.state === 'IN_SERVICE' && mayHandleAlerts"
      type="button"
      class="link"
      @click="isAsking = true"
    >
      Take out of service
    </button>
    <p v-if="trouble && !isAsking" role="alert" class="basis-full text-stop">{{ trouble }}</p>
    <ul v-if="parts.length" class="basis-full">
      <li v-for="one in parts" :key="one.id" class="flex flex-wrap items-center gap-x-4">
        <span
          ><span class="font-medium text-next"
            >{{ one.axle ? `axle ${one.axle}` : one.position }} out of service</span
          >: {{ one.reason }}, until <span class="figure">{{ at(one.until) }}</span></span
        >
        <button
          v-if="mayHandleAlerts"
          type="button"
          class="link"
          :disabled="isBusy"
          @click="change(() => end(one.id))"
        >
          Back into service<span class="spoken">: {{ one.axle ? `axle ${one.axle}` : one.position }}</span>
        </button>
      </li>
    </ul>
    <OutageDialog
      :is-open="isAsking"
      :vehicle="vehicle"
      :trouble="trouble"
      :is-busy="isBusy"
      @go="takeOut"
      @done="isAsking = false"
    />
  </div>
</template>
