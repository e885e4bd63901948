<script setup lang="ts">
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useRoundActions } from '@/api/rounds';
import { useSession } from '@/api/session';
import { parseTemperature } from '@/shared/quantity';
import { useUnits } from '@/shared/units';
import { useAttempt } from '@/shared/useAttempt';
import VehiclePicker from '@/shared/VehiclePicker.vue';

/** Begins a round of pressures. */
const MOST = 20;
const router = useRouter();
const units = useUnits();
const { preferences } = useSession();
const { open } = useRoundActions();
const { trouble, isBusy, attempt } = useAttempt();
const chosen = ref<string[]>([]);
const air = ref('');

const begin = () =>
  attempt(async () => {
    const airC = parseTemperature(air.value, preferences.value.temperatureUnit);
    const round = await open({
      vehicles: chosen.value,
      airC: airC === undefined ? null : Math.round(airC * 10) / 10,
    });
    await router.push({ name: 'round', params: { id: round.id } });
  });
</script>

<template>
  <form class="grid gap-2" @submit.prevent="begin">
    <h2 class="text-base">A round with the air line</h2>
    <p class="text-quiet">What to do at every wheel, at its present temperature.</p>
    <VehiclePicker v-model="chosen" :most="MOST" />
    <div class="flex flex-wrap items-end gap-3">
      <label class="block"
        >Air outside, {{ units.temperatureSymbol.value }}
        <input
          v-model="air"
          class="field figure mt-0.5 block w-36"
          inputmode="decimal"
          autocomplete="off"
          placeholder="coolest tyre’s"
        />
      </label>
      <button type="submit" class="button button-main" :disabled="!chosen.length || isBusy">
        Begin the round
      </button>
    </div>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </form>
</template>
