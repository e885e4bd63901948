<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { ref, watch } from 'vue';
import { answer, http, Problem, type Schemas } from '@/api/client';
import PressureField from '@/shared/PressureField.vue';

/** What the fleet asks of tyres and gauges. */
const client = useQueryClient();
const { data } = useQuery({
  queryKey: ['workshop rules'],
  queryFn: () => answer(http.GET('/api/v1/workshop-rules')),
});
const rules = ref<Schemas['RuleFigures']>();
const said = ref('');
watch(data, (now) => (rules.value = now && { ...now }), { immediate: true });

async function store(): Promise<void> {
  if (!rules.value) return;
  try {
    client.setQueryData(
      ['workshop rules'],
      await answer(http.PUT('/api/v1/workshop-rules', { body: rules.value })),
    );
    said.value = 'Stored.';
  } catch (e) {
    said.value = e instanceof Problem ? e.message : String(e);
  }
}
</script>

<template>
  <form v-if="rules" class="max-w-4xl border-t border-rule pt-4" @submit.prevent="store">
    <h2 class="text-base">What a tyre must have to be fitted</h2>
    <p class="text-quiet">Local law goes first: it may ask for more.</p>
    <div class="mt-2 grid gap-x-4 gap-y-1 sm:grid-cols-3">
      <label
        >Least tread on steered axles, mm
        <input
          v-model.number="rules.minTreadSteerMm"
          type="number"
          step="any"
          min="0"
          max="20"
          class="field figure mt-0.5"
        />
      </label>
      <label
        >Least tread elsewhere, mm
        <input
          v-model.number="rules.minTreadMm"
          type="number"
          step="any"
          min="0"
          max="20"
          class="field figure mt-0.5"
        />
      </label>
      <label
        >Oldest, years
        <input
          v-model.number="rules.maxAgeYears"
          type="number"
          min="1"
          max="30"
          class="field figure mt-0.5"
        />
      </label>
      <PressureField
        v-model="rules.gaugeToleranceKpa"
        is-difference
        label="Hand gauge and sensor may differ by"
      />
      <label class="flex items-center gap-2 sm:col-span-2"
        ><input v-model="rules.retreadOnSteer" type="checkbox" /> steered axles may have retreads</label
      >
    </div>
    <button type="submit" class="button mt-1">Store</button>
    <span role="status" class="ml-3">{{ said }}</span>
  </form>
</template>
