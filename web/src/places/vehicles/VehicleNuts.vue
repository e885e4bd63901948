<script setup lang="ts">
import { computed, ref } from 'vue';
import { useSession } from '@/api/session';
import { useRetorques, useTyreActions } from '@/api/tyres';
import NumberField from '@/shared/NumberField.vue';
import { dated } from '@/shared/time';
import { useAttempt } from '@/shared/useAttempt';

/** Wheel nuts of a vehicle that are to be tightened again. */
const props = defineProps<{ vehicleRef: string }>();
const { data: nuts } = useRetorques(() => props.vehicleRef);
const { tightened } = useTyreActions();
const { mayHandleAlerts } = useSession();
const { trouble, isBusy, attempt } = useAttempt();
const torque = ref<number | null>(null);
const wheels = computed(() => nuts.value?.map((one) => one.position).join(', '));
const first = computed(() => nuts.value?.[0]);
</script>

<template>
  <section v-if="first" class="mt-3 border-t border-rule pt-2" aria-label="Wheel nuts">
    <p>
      <span :class="{ 'font-semibold text-next': first.isDue }">
        Retorque wheel nuts: <span class="figure">{{ wheels }}</span>
      </span>
      <span class="text-quiet">
        &ensp;off on {{ dated(first.offAt) }};
        <template v-if="typeof first.sinceKm === 'number'"
          ><span class="figure">{{ Math.round(first.sinceKm) }} of {{ first.km }} km</span> driven
          since</template
        >
        <template v-else>after {{ first.km }} km or by {{ dated(first.dueAt) }}</template
        >. The vehicle maker’s figure takes precedence.</span
      >
    </p>
    <form
      v-if="mayHandleAlerts"
      class="mt-1 flex flex-wrap items-end gap-3 print:hidden"
      @submit.prevent="
        attempt(() => tightened(vehicleRef, nuts?.map((one) => one.position) ?? [], torque), undefined, {
          done: 'Wheel nuts saved as retorqued.',
        })
      "
    >
      <NumberField
        v-model="torque"
        class="w-40"
        label="Torque, if measured"
        unit="Nm"
        :least="1"
        :most="2000"
        is-optional
      />
      <button type="submit" class="button min-h-11" :disabled="isBusy">Nuts retorqued</button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </section>
</template>
