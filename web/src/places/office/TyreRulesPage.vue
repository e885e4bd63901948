<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Schemas } from '@/api/client';
import { useRuleActions, useWorkshopRules } from '@/api/rules';
import { useSession } from '@/api/session';
import NumberField from '@/shared/NumberField.vue';
import PressureField from '@/shared/PressureField.vue';
import { useAttempt } from '@/shared/useAttempt';

/** What the fleet asks of tyres and gauges. */
const { isManager } = useSession();
const { data } = useWorkshopRules();
const { setRules } = useRuleActions();
const rules = ref<Schemas['RuleFigures']>();
const said = ref('');
const { trouble, isBusy, attempt } = useAttempt();
watch(data, (now) => (rules.value = now && { ...now }), { immediate: true });

async function store(): Promise<void> {
  const body = rules.value;
  said.value = '';
  if (!body) return;
  const isStored = await attempt(() => setRules(body));
  if (isStored) said.value = 'Stored.';
}
</script>

<template>
  <form v-if="rules" class="max-w-4xl" @submit.prevent="store">
    <p>
      Local law goes first: it may ask for more. For wheel nuts the vehicle maker’s figure goes first; 50 to
      100 km are common practice.
    </p>
    <div class="mt-2 grid gap-x-4 gap-y-1 sm:grid-cols-3">
      <NumberField v-model="rules.minTreadSteerMm" label="Least tread on steered axles" unit="mm" />
      <NumberField v-model="rules.minTreadMm" label="Least tread elsewhere" unit="mm" />
      <NumberField v-model="rules.maxAgeYears" label="Oldest" unit="years" is-whole />
      <NumberField
        :model-value="rules.retorqueKm ?? null"
        label="Wheel nuts again after"
        unit="km"
        :least="10"
        :most="1000"
        is-whole
        @update:model-value="rules.retorqueKm = $event"
      />
      <NumberField
        :model-value="rules.retorqueDays ?? null"
        label="or at the latest after"
        unit="days"
        :least="1"
        :most="30"
        is-whole
        @update:model-value="rules.retorqueDays = $event"
      />
      <PressureField
        v-model="rules.gaugeToleranceKpa"
        is-difference
        label="Hand gauge and sensor may differ by"
      />
      <label class="flex items-center gap-2 sm:col-span-2"
        ><input v-model="rules.retreadOnSteer" type="checkbox" :disabled="!isManager" /> steered axles may
        have retreads</label
      >
    </div>
    <button v-if="isManager" type="submit" class="button mt-1" :disabled="isBusy">Store</button>
    <span role="status" class="ml-3">{{ said }}</span>
    <p v-if="trouble" role="alert" class="mt-1 text-stop">{{ trouble }}</p>
  </form>
</template>
