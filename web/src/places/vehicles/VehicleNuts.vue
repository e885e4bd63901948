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
        {{
          typeof first.sinceKm === 'number'
            ? $t('vehicles.nutsSince', { since: Math.round(first.sinceKm), km: first.km })
            : $t('vehicles.nutsAfter', { km: first.km, day: dated(first.dueAt) })
        }}. {{ $t('vehicles.nutsMaker') }}</span
      >
    </p>
    <form
      v-if="mayHandleAlerts"
      class="mt-1 flex flex-wrap items-end gap-3 print:hidden"
      @submit.prevent="
        attempt(() => tightened(vehicleRef, nuts?.map((one) => one.position) ?? [], torque), undefined, {
          done: $t('vehicles.nutsSaved'),
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
      <button type="submit" class="button min-h-11" :disabled="isBusy">{{ $t('vehicles.nutsDone') }}</button>
    </form>
    <p v-if="trouble" role="alert" class="text-stop">{{ trouble }}</p>
  </section>
</template>
