<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useCouplingActions, useCouplingProposals } from '@/api/couplings';
import { useSession } from '@/api/session';
import { useClock } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Trailers that are heard with a motor vehicle on the road though nobody said that they hang there. */
const props = defineProps<{
  /** The vehicle that is asked about; any where it is left out. */
  vehicleRef?: string;
}>();
const { data } = useCouplingProposals();
const { couple, deny } = useCouplingActions();
const { isDriver, mayHandleAlerts } = useSession();
const { at, age } = useClock();
const { trouble, isBusy, attempt } = useAttempt();
const mayAnswer = computed(() => isDriver.value || mayHandleAlerts.value);
const asked = computed(() =>
  (data.value ?? []).filter((one) => !props.vehicleRef || [one.pulled, one.front].includes(props.vehicleRef)),
);
</script>

<template>
  <section v-if="asked.length || trouble" aria-label="Heard together">
    <p
      v-for="one in asked"
      :key="one.pulled + one.front"
      class="flex flex-wrap items-center gap-x-4 gap-y-1 border-l-3 border-action py-1 pl-3"
    >
      <span>
        <RouterLink :to="{ name: 'vehicle', params: { vehicleRef: one.pulled } }" class="figure">{{
          one.pulled
        }}</RouterLink>
        has been heard with
        <RouterLink :to="{ name: 'vehicle', params: { vehicleRef: one.front } }" class="figure">{{
          one.front
        }}</RouterLink>
        on the road since {{ at(one.since) }}, for {{ age(one.since) }}. Does it hang there?
      </span>
      <template v-if="mayAnswer">
        <button
          type="button"
          class="button"
          :disabled="isBusy"
          @click="
            attempt(() => couple(one.pulled, one.front, one.since), undefined, { done: 'They are coupled.' })
          "
        >
          Yes<span class="spoken">, {{ one.pulled }} hangs behind {{ one.front }}</span>
        </button>
        <button
          type="button"
          class="button"
          :disabled="isBusy"
          @click="
            attempt(() => deny(one.pulled, one.front), undefined, {
              done: 'It is not asked again on this trip.',
            })
          "
        >
          No<span class="spoken">, {{ one.pulled }} does not hang behind {{ one.front }}</span>
        </button>
      </template>
    </p>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </section>
</template>
