<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, useTemplateRef } from 'vue';
import { useVehicleRefs } from '@/api/fleet';
import { takeCanLog, type CanLogAnswer } from '@/api/readingsIn';
import { vStacked } from '@/shared/stacked';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** A log of a vehicle's own bus. */
const queries = useQueryClient();
const { trouble, isBusy, attempt } = useAttempt();
const refs = useVehicleRefs();
const vehicle = ref('');
const file = useTemplateRef('file');
const chosen = ref<File>();
const log = ref<CanLogAnswer>();
const isReady = computed(() => Boolean(chosen.value && vehicle.value));

function choose(): void {
  chosen.value = file.value?.files?.[0];
  forget();
}
function forget(): void {
  log.value = undefined;
}
const size = computed(() => `${((chosen.value?.size ?? 0) / 1e6).toFixed(1)} MB`);

const readingsWord = (count: number) => (count === 1 ? 'reading' : 'readings');

const look = () =>
  attempt(async () => {
    log.value = await takeCanLog(vehicle.value, chosen.value as File, true);
  }, `Looking through ${chosen.value?.name}, ${size.value}`);

const store = () =>
  attempt(
    async () => {
      log.value = await takeCanLog(vehicle.value, chosen.value as File, false);
      await queries.invalidateQueries();
    },
    `Storing the readings of ${chosen.value?.name}, ${size.value}; what is stored already stays`,
    { done: 'The readings are stored.' },
  );
</script>

<template>
  <section class="mt-8" aria-labelledby="readings-in">
    <h2 id="readings-in" class="text-base">A log of a vehicle’s bus</h2>
    <p class="mt-1 max-w-2xl text-quiet">
      A text log with tire condition messages, whose wheels are mapped to the vehicle’s; looked through before
      anything is stored. A log may be sent twice: what is there already is not stored again. Packed files
      (.gz) may stay packed.
    </p>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="look()">
      <label
        >Of which vehicle
        <select v-model="vehicle" class="field mt-0.5 block w-44" required @change="forget">
          <option value="" disabled></option>
          <option v-for="one in refs" :key="one" :value="one">{{ one }}</option>
        </select>
      </label>
      <label
        >Log
        <input
          ref="file"
          type="file"
          class="field mt-0.5 block"
          accept=".log,.txt,.gz,text/plain"
          @change="choose"
        />
      </label>
      <button type="submit" class="button min-h-11" :disabled="!isReady || isBusy">Look through it</button>
    </form>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>

    <div v-if="log" class="mt-3 max-w-3xl">
      <p role="status">
        <template v-if="log.isPreview"
          >To be stored: <span class="figure">{{ log.accepted }}</span>
          {{ readingsWord(log.accepted) }}</template
        ><template v-else
          >Stored: <span class="figure">{{ log.accepted }}</span> {{ readingsWord(log.accepted) }};
          <span class="figure">{{ log.duplicates }}</span> were there already</template
        ><template v-if="log.from && log.to">, from {{ dated(log.from) }} to {{ dated(log.to) }}</template
        >. Of <span class="figure">{{ log.lines }}</span> lines
        <span class="figure">{{ log.messages }}</span> tell of tyres,
        <span class="figure">{{ log.others }}</span> of something else,
        <span class="figure">{{ log.unreadable }}</span> cannot be read.
      </p>
      <table v-stacked class="mt-2 w-full [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule">
            <th scope="col" class="py-1 font-normal">On the bus</th>
            <th scope="col" class="font-normal">Wheel of {{ vehicle }}</th>
            <th scope="col" class="font-normal">Stored with sensor</th>
            <th scope="col" class="text-right font-normal">Messages</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="wheel in log.wheels" :key="`${wheel.axle} ${wheel.place}`" class="border-b border-rule">
            <th scope="row" class="py-1 font-normal">
              axle {{ wheel.axle }}, number {{ wheel.place }} from the left
            </th>
            <td class="figure" :class="{ 'text-next': !wheel.position }">
              {{ wheel.position ?? 'none there' }}
            </td>
            <td class="figure" :class="{ 'text-next': !wheel.sensor }">
              {{ wheel.sensor ?? 'none sits there' }}
            </td>
            <td class="figure text-right">{{ wheel.messages }}</td>
          </tr>
        </tbody>
      </table>
      <details v-if="log.faults.length" class="mt-2">
        <summary class="cursor-pointer text-quiet">
          What could not be used: {{ log.unreadable + log.rejected }} lines
        </summary>
        <ul class="mt-1">
          <li v-for="fault in log.faults" :key="fault.line">
            <span class="text-quiet">line {{ fault.line }}:</span> {{ fault.message }}
          </li>
        </ul>
      </details>
      <p v-if="log.isPreview" class="mt-3">
        <button type="button" class="button button-main" :disabled="!log.accepted || isBusy" @click="store">
          Store {{ log.accepted }} {{ readingsWord(log.accepted) }}
        </button>
      </p>
    </div>
  </section>
</template>
