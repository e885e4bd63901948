<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { prefer, useSession, type Preferences } from '@/api/session';
import ChoiceRow from '@/shared/ChoiceRow.vue';
import { useAttempt } from '@/shared/useAttempt';

/** How this person reads the product: kept at once, for every device they sign in on. */
const { preferences } = useSession();
const queries = useQueryClient();
const { trouble, attempt } = useAttempt();

const PRESSURES: { value: Preferences['pressureUnit']; words: string }[] = [
  { value: 'KPA', words: 'kPa' },
  { value: 'BAR', words: 'bar' },
  { value: 'PSI', words: 'psi' },
  { value: 'KGF_CM2', words: 'kgf/cm²' },
];
const TEMPERATURES: { value: Preferences['temperatureUnit']; words: string }[] = [
  { value: 'CELSIUS', words: '°C' },
  { value: 'FAHRENHEIT', words: '°F' },
];
const THEMES: { value: Preferences['theme']; words: string }[] = [
  { value: 'SYSTEM', words: 'as my device' },
  { value: 'PAPER', words: 'paper' },
  { value: 'NIGHT', words: 'night yard' },
];

const keep = (change: Partial<Preferences>) =>
  attempt(async () => {
    await prefer({ ...preferences.value, ...change });
    // Sentences come from the server in the reader's units.
    await queries.invalidateQueries();
  });
</script>

<template>
  <section aria-labelledby="preferences">
    <h2 id="preferences" class="text-base">How you read</h2>
    <div class="mt-2 grid gap-2">
      <ChoiceRow
        label="Pressure"
        :choices="PRESSURES"
        :model-value="preferences.pressureUnit"
        @update:model-value="keep({ pressureUnit: $event })"
      />
      <ChoiceRow
        label="Temperature"
        :choices="TEMPERATURES"
        :model-value="preferences.temperatureUnit"
        @update:model-value="keep({ temperatureUnit: $event })"
      />
      <ChoiceRow
        label="Theme"
        :choices="THEMES"
        :model-value="preferences.theme"
        @update:model-value="keep({ theme: $event })"
      />
    </div>
    <p v-if="trouble" role="alert" class="mt-2 text-stop">{{ trouble }}</p>
  </section>
</template>
