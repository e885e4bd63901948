<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useVehicles } from '@/api/fleet';
import { useSession } from '@/api/session';
import VehicleRow from './VehicleRow.vue';
import { byDepot, matches } from './rows';

/** How is every vehicle? */
const { data, isPending, error } = useVehicles();
const { isManager } = useSession();
const search = ref('');

const found = computed(() => (data.value?.items ?? []).filter((vehicle) => matches(vehicle, search.value)));
const groups = computed(() => byDepot(found.value));
const wheels = computed(() => found.value.reduce((sum, vehicle) => sum + vehicle.wheels.length, 0));
</script>

<template>
  <h1 class="spoken">Vehicles</h1>
  <p v-if="error" role="alert" class="p-8 text-next">{{ error.message }}</p>
  <p v-else-if="isPending" class="p-8 text-quiet">Fetching the vehicles …</p>
  <div v-else-if="!data?.items.length" class="m-auto max-w-md p-8">
    <h2 class="text-xl">There are no vehicles yet.</h2>
    <p v-if="isManager" class="mt-2">
      <RouterLink to="/office#fleet">Bring in a fleet document</RouterLink>; its vehicles are in service at
      once.
    </p>
    <p v-else class="mt-2 text-quiet">Ask a manager to bring in the fleet.</p>
  </div>
  <div v-else class="px-5 pb-8">
    <div class="flex flex-wrap items-center gap-4 py-3">
      <label class="flex items-center gap-2">
        <span class="text-quiet">Find</span>
        <input
          v-model="search"
          type="search"
          class="field w-72"
          placeholder="ref, plate, depot or sensor code"
          autocomplete="off"
        />
      </label>
      <span class="text-quiet" aria-live="polite"
        ><span class="figure">{{ found.length }}</span> {{ found.length === 1 ? 'vehicle' : 'vehicles' }},
        <span class="figure">{{ wheels }}</span> wheels</span
      >
    </div>
    <p v-if="!found.length" class="py-6">
      Nothing here is called “{{ search }}”.
      <button type="button" class="link" @click="search = ''">Show all</button>
    </p>
    <div v-else class="overflow-x-auto">
      <table class="w-full">
        <thead class="text-quiet">
          <tr>
            <th scope="col" class="w-24 py-1 font-normal">Vehicle</th>
            <th scope="col" class="hidden w-28 font-normal sm:table-cell">Plate</th>
            <th scope="col" class="w-60 font-normal">Front at the left, left wheels above</th>
            <th scope="col" class="font-normal">What is going on</th>
            <th scope="col" class="w-24 text-right font-normal">Last heard</th>
            <th scope="col" class="w-40 pl-5 font-normal">Do</th>
          </tr>
        </thead>
        <tbody v-for="group in groups" :key="group.depot">
          <tr>
            <th colspan="6" scope="rowgroup" class="pt-5 pb-1.5">{{ group.depot }}</th>
          </tr>
          <VehicleRow v-for="vehicle in group.vehicles" :key="vehicle.ref" :vehicle="vehicle" />
        </tbody>
      </table>
    </div>
  </div>
</template>
