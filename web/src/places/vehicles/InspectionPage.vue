<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { useCombination } from '@/api/couplings';
import { useVehicle } from '@/api/fleet';
import InspectionSheet from './InspectionSheet.vue';

/** What is known of every tyre, with room for what somebody finds who goes round with gauge and pencil. */
const props = defineProps<{ vehicleRef: string }>();
const { vehicle, isPending, error } = useVehicle(() => props.vehicleRef);
const combination = useCombination(vehicle);
const print = () => window.print();
</script>

<template>
  <div class="inspection max-w-6xl px-5 py-4 print:max-w-none print:p-0">
    <p class="print:hidden">
      <RouterLink class="way" :to="{ name: 'vehicle', params: { vehicleRef } }"
        >‹ {{ vehicleRef }}</RouterLink
      >
    </p>
    <p v-if="error && !vehicle" role="alert" class="mt-3 text-next">{{ error.message }}</p>
    <p v-else-if="isPending" class="mt-3 text-quiet">Fetching the vehicle …</p>
    <p v-else-if="!vehicle" class="mt-3">There is no vehicle {{ vehicleRef }}.</p>
    <template v-else>
      <div class="mt-1 flex flex-wrap items-baseline gap-x-5 gap-y-2 print:hidden">
        <p class="max-w-2xl text-quiet">
          To be printed and taken along, a page a vehicle. Afterwards the treads are entered on the page of
          each tyre, pressures that were set on the page of the vehicle.
        </p>
        <button type="button" class="button ml-auto min-h-11" @click="print">Print</button>
      </div>
      <InspectionSheet v-for="one in combination" :key="one.ref" :vehicle="one" />
    </template>
  </div>
</template>

<style>
/* Room to write needs the long side. */
@page inspection {
  size: a4 landscape;
  margin: 9mm;
}

@media print {
  /* All of the page is of one kind, or an empty one comes first. */
  body:has(.inspection) {
    page: inspection;
  }
}
</style>
