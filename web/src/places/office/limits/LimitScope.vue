<script setup lang="ts">
import { computed } from 'vue';
import { useVehicle, useVehicleRefs, useVehicles } from '@/api/fleet';
import { useLimits } from '@/api/limits';
import { KIND_CHOICES, ROLE_CHOICES, roleWords, vehicleKindWords } from '@/shared/position';
import type { Scope } from './ruler';

/** Whose limits are changed: those of a kind and role, or of axles that fit everything chosen. */
const scope = defineModel<Scope>({ required: true });
defineProps<{ isOfAxles: boolean }>();

const { data: limits } = useLimits();
const { data: vehicles } = useVehicles();
const refs = useVehicleRefs();
const { vehicle } = useVehicle(() => scope.value.vehicleRef || undefined);
const depots = computed(() =>
  [...new Set(vehicles.value?.items.map((one) => one.depot) ?? [])].filter(Boolean).sort(),
);
</script>

<template>
  <div class="flex flex-wrap items-end gap-3">
    <label v-if="isOfAxles" class="block"
      >Vehicle
      <input
        v-model="scope.vehicleRef"
        class="field figure mt-0.5 block w-32"
        list="limit-refs"
        placeholder="all"
        autocomplete="off"
      />
      <datalist id="limit-refs">
        <option v-for="one in refs" :key="one" :value="one"></option>
      </datalist>
    </label>
    <label v-if="isOfAxles && vehicle" class="block"
      >Axle
      <select v-model="scope.axleNumber" class="field mt-0.5 block w-auto">
        <option value="">all</option>
        <option v-for="(one, i) in vehicle.axles" :key="i" :value="i + 1">
          {{ i + 1 }} {{ roleWords(one.role) }}
        </option>
      </select>
    </label>
    <label class="block"
      >Kind
      <select v-model="scope.kind" class="field mt-0.5 block w-auto">
        <option value="">{{ isOfAxles ? 'all' : 'choose' }}</option>
        <option v-for="one in KIND_CHOICES" :key="one" :value="one">{{ vehicleKindWords(one) }}</option>
      </select>
    </label>
    <label class="block"
      >Role
      <select v-model="scope.role" class="field mt-0.5 block w-auto">
        <option value="">{{ isOfAxles ? 'all' : 'choose' }}</option>
        <option v-for="one in ROLE_CHOICES" :key="one" :value="one">{{ roleWords(one) }}</option>
      </select>
    </label>
    <template v-if="isOfAxles">
      <label class="block"
        >Depot
        <select v-model="scope.depot" class="field mt-0.5 block w-auto">
          <option value="">all</option>
          <option v-for="one in depots" :key="one ?? ''">{{ one }}</option>
        </select>
      </label>
      <label class="block"
        >Tyre size
        <select v-model="scope.tyreSize" class="field mt-0.5 block w-auto">
          <option value="">all</option>
          <option v-for="one in limits?.tyreSizes" :key="one">{{ one }}</option>
        </select>
      </label>
    </template>
  </div>
</template>
