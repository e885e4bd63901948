<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useSession } from '@/api/session';
import { useTyreActions, useVehicleTyres, type Alike, type TyreItem, type TyreRequest } from '@/api/tyres';
import AppDialog from '@/shared/AppDialog.vue';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { place } from '@/shared/position';
import SidewaysScroll from '@/shared/SidewaysScroll.vue';
import { vStacked } from '@/shared/stacked';
import { useAttempt } from '@/shared/useAttempt';
import TyreForm from '../stores/tyres/TyreForm.vue';
import { tyreWords } from '../stores/tyres/tyres';

/** The tyres of a vehicle, mates of an axle side by side in the order of the wheels. */
const props = defineProps<{ vehicleRef: string }>();
const { data: tyres, error } = useVehicleTyres(() => props.vehicleRef);
const { describeAt } = useTyreActions();
const { mayHandleAlerts } = useSession();
const { trouble, faults, isBusy, attempt } = useAttempt();
const asked = ref<TyreItem>();
const alike = ref<Alike>('ONE');

/** Of the others, those of which nothing is written down may be like it. */
const choices = computed(() => {
  const one = asked.value;
  const open = tyres.value?.filter((tyre) => !tyre.id && tyre.position !== one?.position) ?? [];
  const axle = place(one?.position ?? '').axle;
  const mates = open.filter((tyre) => axle && place(tyre.position ?? '').axle === axle).length;
  const sized = open.filter((tyre) => one?.size && tyre.size === one.size).length;
  const all: { value: Alike; words: string }[] = [{ value: 'ONE', words: 'this one only' }];
  if (mates) all.push({ value: 'AXLE', words: `axle ${axle}, ${mates} more` });
  if (sized > mates) all.push({ value: 'SIZE', words: `every ${one?.size}, ${sized} more` });
  return all;
});

function ask(tyre: TyreItem): void {
  alike.value = 'ONE';
  asked.value = tyre;
}

const store = (body: TyreRequest) =>
  attempt(async () => {
    if (!asked.value?.position) return;
    await describeAt(props.vehicleRef, asked.value.position, body, alike.value);
    asked.value = undefined;
  });
</script>

<template>
  <section aria-labelledby="vehicle-tyres">
    <div class="flex flex-wrap items-baseline gap-x-5">
      <h2 id="vehicle-tyres" class="text-base">Tyres</h2>
      <RouterLink
        v-if="mayHandleAlerts"
        class="way print:hidden"
        :to="{ name: 'moves', query: { vehicle: vehicleRef } }"
        >Move wheels</RouterLink
      >
    </div>
    <p v-if="error && !tyres" role="alert" class="text-next">{{ error.message }}</p>
    <SidewaysScroll v-if="tyres" label="Tyres of the vehicle">
      <table v-stacked class="mt-1 w-full max-w-4xl [&_td]:pr-4 [&_th]:pr-4">
        <thead class="text-quiet">
          <tr class="border-b border-rule text-left">
            <th scope="col" class="py-1 font-normal">Wheel</th>
            <th scope="col" class="font-normal">Tyre</th>
            <th scope="col" class="text-right font-normal">Tread, mm</th>
            <th scope="col" class="text-right font-normal">mm a month</th>
            <th scope="col" class="text-right font-normal">Years</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="tyre in tyres" :key="tyre.position ?? ''" class="border-b border-rule">
            <th scope="row" class="figure py-1 text-left font-medium">{{ tyre.position }}</th>
            <td>
              <RouterLink
                v-if="tyre.id"
                class="max-sm:inline-flex max-sm:min-h-11 max-sm:items-center"
                :to="{ name: 'tyre', params: { id: tyre.id } }"
                >{{ tyreWords(tyre) }}</RouterLink
              >
              <span v-else class="text-quiet">{{ tyreWords(tyre) }}</span>
            </td>
            <td class="figure text-right" :class="{ 'font-medium text-next': tyre.isLow }">
              {{ tyre.treadMm?.toFixed(1) }}
            </td>
            <td class="figure text-right">{{ tyre.mmPerMonth?.toFixed(2) }}</td>
            <td class="figure text-right">{{ tyre.years }}</td>
            <td class="text-right">
              <button
                v-if="mayHandleAlerts"
                type="button"
                class="link max-sm:min-h-11 print:hidden"
                @click="ask(tyre)"
              >
                Describe<span class="spoken">: {{ tyre.position }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </SidewaysScroll>
    <AppDialog
      :is-open="Boolean(asked)"
      :title="`Tyre at ${vehicleRef} ${asked?.position ?? ''}`"
      @close="asked = undefined"
    >
      <TyreForm class="mt-2" :tyre="asked" :is-busy="isBusy" :faults="faults" verb="Store it" @done="store">
        <div v-if="choices.length > 1">
          <ChoiceRow v-model="alike" label="It holds for" :choices="choices" />
          <p class="mt-1 text-quiet">
            Others only where nothing is written down yet; date code and note stay this one’s own.
          </p>
        </div>
      </TyreForm>
      <p v-if="trouble" role="alert" class="mt-2 text-stop">
        {{ faults.length ? 'Nothing was stored; look at what is marked.' : trouble }}
      </p>
    </AppDialog>
  </section>
</template>
