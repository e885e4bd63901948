<script setup lang="ts">
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useRoundActions } from '@/api/rounds';
import TemperatureField from '@/shared/TemperatureField.vue';
import { useAttempt } from '@/shared/useAttempt';
import VehiclePicker from '@/shared/VehiclePicker.vue';

/** Begins a round of pressures. */
const MOST = 20;
const router = useRouter();
const { open } = useRoundActions();
const { trouble, isBusy, attempt } = useAttempt();
const chosen = ref<string[]>([]);
const air = ref<number | null>(null);

const begin = () =>
  attempt(async () => {
    const round = await open({ vehicles: chosen.value, airC: air.value });
    await router.push({ name: 'round', params: { id: round.id } });
  });
</script>

<template>
  <form class="grid gap-2" @submit.prevent="begin">
    <h2 class="text-base">A round with the air line</h2>
    <p class="text-quiet">What to do at every wheel, at its present temperature.</p>
    <VehiclePicker v-model="chosen" :most="MOST" />
    <p class="text-quiet">
      Without the temperature of the air outside the coolest tyre’s is taken, and no air is let out anywhere.
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <TemperatureField v-model="air" class="w-44" label="Air outside" placeholder="coolest tyre’s" />
      <button type="submit" class="button button-main" :disabled="!chosen.length || isBusy">
        Begin the round
      </button>
    </div>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </form>
</template>
